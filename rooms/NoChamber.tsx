import { useRouter } from "next/navigation";

/** The address names a chamber that is not there. */
export function NoChamber() {
  const router = useRouter();
  return (
    <main className="grid gap-3 p-8">
      <h1 className="text-2xl">There is no such chamber</h1>
      <button type="button" className="key justify-self-start" onClick={() => router.push("/")}>
        To the Shelf
      </button>
    </main>
  );
}
