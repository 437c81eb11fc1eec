/** Until the worker has answered for the first time. */
export function FirstMoment({ name }: { name: string }) {
  return (
    <main className="grid gap-2 p-8">
      <h1 className="text-2xl">{name}</h1>
      <p role="status">Working out its settings …</p>
    </main>
  );
}
