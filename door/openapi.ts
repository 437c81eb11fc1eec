import * as z from "zod";
import { responses } from "./responses";
import { callWords, calls, described, problem } from "./schemas";

const schemaOf = (schema: z.ZodType, io: "input" | "output" = "input"): object => {
  const { $schema: _, ...plain } = z.toJSONSchema(schema, { target: "draft-2020-12", io }) as Record<string, unknown>;
  return plain;
};

const failures: Record<string, string> = {
  400: "The body is not JSON, or the address cannot be read",
  404: "There is no such call",
  405: "Calls are made by POST",
  408: "The body did not come to its end in time",
  413: "The body is too large",
  415: "The body is no JSON by its Content-Type",
  422: "A field does not fit, or the chamber is impossible",
  499: "Whoever asked waits no more",
  500: "Something went wrong here, and it is our fault",
  503: "Too many calls at once; see Retry-After",
};

/** OpenAPI 3.1 of the door, made from the schemas that check the calls. */
export const openapi = (): object => ({
  openapi: "3.1.0",
  info: {
    title: "Gentle Crock, a door for scripts",
    version: "1",
    description:
      "Temperatures in °C, differences in K, lengths in m, volumes in m³, power in W, times in s. A chamber holds only what differs from its defaults, each value plainly or with its origin, as in a workshop backup. Entries of a list have an id; a chamber in the form of earlier versions, whose entries have none, is taken too. Nothing is kept.",
  },
  paths: Object.fromEntries(
    calls.map((call) => [
      `/api/v1/${call}`,
      {
        post: {
          operationId: call,
          summary: callWords[call],
          requestBody: {
            required: true,
            content: { "application/json": { schema: { $ref: `#/components/schemas/${call}` } } },
          },
          responses: {
            200: {
              description: "The answer",
              content: { "application/json": { schema: { $ref: `#/components/schemas/${call}-answer` } } },
            },
            ...Object.fromEntries(
              Object.entries(failures).map(([status, description]) => [
                status,
                { description, content: { "application/json": { schema: { $ref: "#/components/schemas/problem" } } } },
              ]),
            ),
          },
        },
      },
    ]),
  ),
  components: {
    schemas: {
      ...Object.fromEntries(calls.map((call) => [call, schemaOf(described[call])])),
      ...Object.fromEntries(calls.map((call) => [`${call}-answer`, schemaOf(responses[call], "output")])),
      problem: schemaOf(problem),
    },
  },
});
