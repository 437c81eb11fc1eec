import { knock, MOST_BYTES, newCrew, readAtMost } from "@/door/server";

export const dynamic = "force-dynamic";

/** One crew for the process, however often this file is loaded. */
const held = globalThis as { doorCrew?: ReturnType<typeof newCrew> };
const crew = (held.doorCrew ??= newCrew());

/** Hands a call over to the door; a body is read no further than the door takes. */
export async function POST(request: Request, { params }: { params: Promise<{ call: string }> }): Promise<Response> {
  const { call } = await params;
  const sent = await readAtMost(request.body, MOST_BYTES);
  const { status, body, headers } = await knock(call, request.headers.get("content-type"), sent, crew, request.signal);
  return new Response(body, {
    status,
    headers: { "Content-Type": "application/json", "Cache-Control": "no-store", ...headers },
  });
}
