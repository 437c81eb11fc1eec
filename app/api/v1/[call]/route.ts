import { knock, MOST_BYTES, readAtMost } from "@/door";

export const dynamic = "force-dynamic";

/** Hands a call over to the door; a body is read no further than the door takes. */
export async function POST(request: Request, { params }: { params: Promise<{ call: string }> }): Promise<Response> {
  const { call } = await params;
  const text = await readAtMost(request.body, MOST_BYTES);
  const { status, body, headers } = await knock(call, request.headers.get("content-type"), text);
  return new Response(body, {
    status,
    headers: { "Content-Type": "application/json", "Cache-Control": "no-store", ...headers },
  });
}
