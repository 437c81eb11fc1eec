import { openapi } from "@/door/server";

export const dynamic = "force-static";

export const GET = (): Response => Response.json(openapi());
