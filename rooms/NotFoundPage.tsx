import Link from "next/link";

/** An address that leads nowhere. */
export const NotFoundPage = () => (
  <main className="mx-auto grid max-w-xl gap-4 p-8">
    <h1 className="text-3xl">Nothing stands at this address</h1>
    <p>It may be mistyped, or from another version of Gentle Crock. Your chambers are where they were.</p>
    <p className="flex flex-wrap gap-2">
      <Link className="key key-strong" href="/">
        To the Shelf
      </Link>
      <Link className="key" href="/preferences">
        Preferences and backup
      </Link>
    </p>
  </main>
);
