import { openapi } from "@/door";

export const dynamic = "force-static";

export const GET = (): Response => Response.json(openapi());
