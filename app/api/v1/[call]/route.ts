import { knock, MOST_BYTES } from "@/door";

export const dynamic = "force-dynamic";

/** Hands a call over to the door; a body that says it is too large is not read at all. */
export async function POST(request: Request, { params }: { params: Promise<{ call: string }> }): Promise<Response> {
  const { call } = await params;
  const said = Number(request.headers.get("content-length") ?? 0);
  const text = said > MOST_BYTES ? " ".repeat(MOST_BYTES + 1) : await request.text();
  const { status, body, headers } = await knock(call, request.headers.get("content-type"), text);
  return new Response(body, {
    status,
    headers: { "Content-Type": "application/json", "Cache-Control": "no-store", ...headers },
  });
}
