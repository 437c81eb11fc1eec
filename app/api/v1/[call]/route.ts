import { knock, MOST_BYTES, newCrew, readAtMost, wrongMethod, type Reply } from "@/door/server";

export const dynamic = "force-dynamic";

/** One crew for the process, however often this file is loaded. */
const held = globalThis as { doorCrew?: ReturnType<typeof newCrew> };
const crew = (held.doorCrew ??= newCrew());

const answered = ({ status, body, headers }: Reply): Response =>
  new Response(body, {
    status,
    headers: { "Content-Type": "application/json", "Cache-Control": "no-store", ...headers },
  });

const refused = (): Response => answered(wrongMethod());
export { refused as GET, refused as PUT, refused as PATCH, refused as DELETE };

/** Hands a call over to the door; a body is read no further than the door takes. */
export async function POST(request: Request, { params }: { params: Promise<{ call: string }> }): Promise<Response> {
  const { call } = await params;
  const sent = await readAtMost(request.body, MOST_BYTES);
  return answered(await knock(call, request.headers.get("content-type"), sent, crew, request.signal));
}
