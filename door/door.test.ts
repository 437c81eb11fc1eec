import Ajv2020 from "ajv/dist/2020";
import { bandOf } from "@/core/controller";
import { describe as describeChamber, newChamber } from "@/core/chamber";
import type { Settings, Unit } from "@/core/model";
import { configurations } from "@/core/testing/configurations";
import { calls, examples, lookAt, requests, type Call } from ".";
import { edgeChambers, edgesOfFields } from "@/core/testing/edges";
import { tries } from "@/core/testing/hard";
import { chamberInput } from "./schemas";
import { knock, MOST_BYTES, openapi, readAtMost, wrongMethod } from "./server";
import { sameThread } from "./testing";

jest.setTimeout(90_000);

const JSON_TYPE = "application/json";
const ask = async (call: string, body: unknown, type: string | null = JSON_TYPE) => {
  const sent = { text: typeof body === "string" ? body : JSON.stringify(body) };
  const { status, body: text } = await knock(call, type, sent, sameThread);
  return { status, answer: JSON.parse(text) as Record<string, unknown> };
};

/** Worked calls are looked at from two sides; each is answered once. */
const answered = new Map<object, ReturnType<typeof ask>>();
const askOnce = (call: string, body: object) => {
  const answer = answered.get(body) ?? ask(call, body);
  answered.set(body, answer);
  return answer;
};

describe("worked calls of the Reference room", () => {
  it.each(examples.map((e) => [e.title, e] as const))("%s", async (_, { call, body, look }) => {
    const { status, answer } = await askOnce(call, body);
    expect(status).toBe(200);
    const seen = lookAt(answer, look);
    expect(seen).toBeDefined();
    expect(JSON.stringify(answer)).not.toMatch(/NaN|Infinity/);
  });
  it("there is one for every call", () => expect(new Set(examples.map((e) => e.call))).toEqual(new Set(calls)));
});

describe("the description", () => {
  it("is OpenAPI 3.1 with every call, and its schemas take the worked calls, by a validator that is not ours", () => {
    const doc = openapi() as {
      openapi: string;
      paths: Record<string, unknown>;
      components: { schemas: Record<string, object> };
    };
    expect(doc.openapi).toMatch(/^3\.1\./);
    expect(Object.keys(doc.paths)).toEqual(calls.map((c) => `/api/v1/${c}`));
    for (const { call, body } of examples) {
      const validate = new Ajv2020({ strict: false, validateFormats: false }).compile(doc.components.schemas[call]!);
      expect(validate(body)).toBe(true);
      expect(validate({ ...body, surprise: 1 })).toBe(false);
    }
    expect(JSON.parse(JSON.stringify(doc))).toEqual(doc);
  });
});

describe("answers, checked against their description by a validator that is not ours", () => {
  const doc = openapi() as { components: { schemas: Record<string, object> } };
  const validator = new Ajv2020({ strict: false, validateFormats: false, allErrors: true });
  const typed = (value: unknown) => ({ value, origin: "typed" });
  const fire = {
    cabinet: { kind: typed("drum") },
    heater: { kind: typed("charcoal") },
    unit: { kind: typed("heatOnly") },
    vessels: [{ vessel: {}, product: { kind: typed("hold") } }],
    stages: [{ stage: { low: typed(105), high: typed(115) } }],
  };
  const lost = { heater: { power: typed(0) }, room: { low: typed(-5), high: typed(0) } };
  const cut = { happenings: [{ id: "a", kind: "powerCut", at: 80_000, lasting: 3600 }] };
  const bodies: [string, Call, object][] = [
    ...examples.map((e): [string, Call, object] => [e.title, e.call, e.body]),
    ["a fire", "trial", { chamber: fire, days: 1 }],
    ["a chamber that never arrives", "trial", { chamber: lost, days: 1 }],
    ["a power cut", "trial", { chamber: cut, days: 2 }],
    ["verdicts on it", "verdicts", { chamber: lost, days: 2 }],
    [
      "two limits in °F",
      "settings",
      { chamber: { unit: { kind: typed("twoLimits"), scale: typed("F") } }, scale: "F" },
    ],
    ["a demand that binds", "recommendation", { chamber: lost }],
  ];
  it.each(bodies)("%s: %s", async (_, call, body) => {
    const validate = validator.compile(doc.components.schemas[`${call}-answer`]!);
    const { status, answer } = await askOnce(call, body);
    expect(status).toBe(200);
    validate(answer);
    expect(validate.errors ?? []).toEqual([]);
    // And it says what is in it: without its first field it is no such answer.
    const [first] = Object.keys(answer);
    expect(validate({ ...answer, [first!]: undefined, surprise: 1 })).toBe(false);
  });
});

describe("answers", () => {
  it("settings go back to the band that they came from", async () => {
    const { answer } = await ask("settings", examples[0]!.body);
    const unit: Unit = describeChamber(newChamber("x", "x", "2026-01-01T00:00:00.000Z")).controllers[0]!.unit;
    const band = bandOf(answer.settings as Settings, unit);
    expect(band.low).toBeCloseTo(18, 6);
    expect(band.high).toBeGreaterThan(19);
    expect(band.high).toBeLessThanOrEqual(20 + 1e-9);
  });
  it("a recommendation is the same each time and keeps nothing", async () => {
    const body = { chamber: { cabinet: { kind: { value: "chest", origin: "typed" } } } };
    const [a, b] = [await ask("recommendation", body), await ask("recommendation", body)];
    expect(a.answer).toEqual(b.answer);
  });
});

describe("lists", () => {
  const doc = openapi() as { components: { schemas: Record<string, object> } };
  const validator = new Ajv2020({ strict: false, validateFormats: false, allErrors: true });
  const bodyOf = (name: keyof typeof configurations) => {
    const { devices, controllers, vessels, probes, program, stages, room, cabinet } = configurations[name]();
    return { devices, controllers, vessels, probes, program, stages, room, cabinet };
  };
  it.each(Object.keys(configurations) as (keyof typeof configurations)[])("%s, every call", async (name) => {
    const chamber = bodyOf(name);
    const stage = chamber.stages.at(-1)!.id;
    const controller = chamber.controllers.at(-1)!.id;
    for (const [call, body] of [
      ["settings", { chamber, stage, controller }],
      ["read-back", { chamber, stage, controller, settings: { setpoint: 20 } }],
      ["trial", { chamber, days: 3, bins: 20 }],
      ["verdicts", { chamber, days: 3 }],
      ["recommendation", { chamber, stage }],
    ] as const) {
      const { status, answer } = await ask(call, body);
      expect([call, status]).toEqual([call, 200]);
      const validate = validator.compile(doc.components.schemas[`${call}-answer`]!);
      validate(answer);
      expect(validate.errors ?? []).toEqual([]);
      if (call === "trial") {
        const { stages, whole } = answer as { stages: { id: string }[]; whole: { judged: string }[] };
        expect(stages.map((s) => s.id)).toEqual(chamber.stages.map((s) => s.id));
        expect(whole.map((m) => m.judged)).toEqual(chamber.vessels.map((v) => v.id));
      }
    }
  });
  it("an entry that is not there is refused by its name", async () => {
    const chamber = bodyOf("two independent units on two devices");
    for (const wrong of [{ stage: "s9" }, { controller: "u9" }]) {
      const { status, answer } = await ask("settings", { chamber, ...wrong });
      expect(status).toBe(422);
      expect(JSON.stringify(answer)).toContain(Object.values(wrong)[0]);
    }
    const lost = { ...chamber, controllers: [{ ...chamber.controllers[0]!, probes: ["p7"] }] };
    const { status, answer } = await ask("trial", { chamber: lost, days: 1 });
    expect([status, JSON.stringify(answer)]).toEqual([422, expect.stringContaining("p7")]);
  });
});

describe("reading a body", () => {
  const stream = (...parts: string[]) => new Response(new Blob(parts)).body;
  it("joins what comes in pieces, also a letter that is torn apart", async () => {
    const bytes = new TextEncoder().encode("20 °C");
    const torn = new ReadableStream<Uint8Array>({
      start(controller) {
        controller.enqueue(bytes.slice(0, 4));
        controller.enqueue(bytes.slice(4));
        controller.close();
      },
    });
    expect(bytes).toHaveLength(6);
    expect(await readAtMost(torn, 6)).toEqual({ text: "20 °C" });
    expect(await readAtMost(stream("{", "}"), 100)).toEqual({ text: "{}" });
    expect(await readAtMost(null, 100)).toEqual({ text: "" });
    expect(await readAtMost(stream("x".repeat(101)), 100)).toEqual({ refused: "large" });
  });
  it("stops reading a stream that never ends", async () => {
    let given = 0;
    const endless = new ReadableStream<Uint8Array>({
      pull(controller) {
        given++;
        controller.enqueue(new Uint8Array(1000));
      },
    });
    expect(await readAtMost(endless, 10_000)).toEqual({ refused: "large" });
    expect(given).toBeLessThan(100);
    expect((await knock("trial", JSON_TYPE, { refused: "large" }, sameThread)).status).toBe(413);
  });
  it("does not wait for a body that does not come to its end", async () => {
    const silent = new ReadableStream<Uint8Array>({ pull: () => new Promise(() => undefined) });
    expect(await readAtMost(silent, 100, 20)).toEqual({ refused: "slow" });
    expect((await knock("trial", JSON_TYPE, { refused: "slow" }, sameThread)).status).toBe(408);
  });
});

describe("bad, huge and hostile bodies", () => {
  const chamber = {};
  it.each<[string, string, unknown, string | null, number, RegExp]>([
    ["no such call", "everything", {}, JSON_TYPE, 404, /Use one of settings/],
    ["no JSON by type", "settings", { chamber }, "text/plain", 415, /Content-Type/],
    ["no type at all", "settings", { chamber }, null, 415, /Content-Type/],
    ["half a body", "settings", '{"chamber":', JSON_TYPE, 400, /complete JSON/],
    ["a list", "settings", [], JSON_TYPE, 422, /openapi/],
    ["nothing", "settings", "null", JSON_TYPE, 422, /openapi/],
    ["a field too many", "settings", { chamber, also: 1 }, JSON_TYPE, 422, /also/],
    ["an endless trial", "trial", { chamber, days: 3650 }, JSON_TYPE, 422, /days/],
    ["a huge trace", "trial", { chamber, bins: 1e9 }, JSON_TYPE, 422, /bins/],
    ["not a number", "trial", { chamber, days: "7; rm -rf" }, JSON_TYPE, 422, /days/],
    [
      "a value out of range",
      "trial",
      { chamber: { heater: { power: { value: -5, origin: "typed" } } } },
      JSON_TYPE,
      422,
      /chamber\.devices\.0\.heater\.power/,
    ],
    [
      "an impossible chamber",
      "verdicts",
      { chamber: { room: { low: { value: 30, origin: "typed" }, high: { value: 5, origin: "typed" } } } },
      JSON_TYPE,
      422,
      /coldest is above its warmest/,
    ],
    ["a prototype", "settings", '{"chamber":{"__proto__":{"polluted":1}}}', JSON_TYPE, 422, /chamber/],
    [
      "a thousand vessels",
      "trial",
      { chamber: { vessels: Array(1000).fill({ vessel: {}, product: {} }) } },
      JSON_TYPE,
      422,
      /vessels/,
    ],
  ])("%s", async (_, call, body, type, expected, words) => {
    const { status, answer } = await ask(call, body, type);
    expect(status).toBe(expected);
    expect(JSON.stringify(answer)).toMatch(words);
    expect(({} as Record<string, unknown>).polluted).toBeUndefined();
  });
  it("too large a body is not even parsed", async () => {
    const { status, answer } = await ask("trial", `{"chamber":{},"x":"${"a".repeat(MOST_BYTES)}"}`);
    expect(status).toBe(413);
    expect(JSON.stringify(answer)).toMatch(/512 kB/);
  });
  it("deeply nested nonsense is refused, not crashed on", async () => {
    const deep = `${"[".repeat(5000)}${"]".repeat(5000)}`;
    expect((await ask("settings", `{"chamber":${deep}}`)).status).toBe(422);
  });
});

describe("plain values", () => {
  const typed = (value: unknown) => ({ value, origin: "typed" });
  const stored = {
    room: { low: typed(4), high: typed(16) },
    devices: [{ id: "h1", device: "heater", at: null, heater: { power: typed(60) } }],
    controllers: [{ id: "u1", unit: { kind: typed("heatOnly") }, probes: ["p1"], heat: ["h1"], cold: [] }],
    vessels: [
      { id: "v1", vessel: { volume: typed(0.02) }, product: { kind: typed("hold") }, band: { low: typed(17) } },
    ],
    probes: [{ id: "p1", in: "v1", probe: { place: typed("air") } }],
    stages: [{ id: "s1", stage: { low: typed(16), high: typed(19) }, settings: { u1: { setpoint: typed(18) } } }],
  };
  const plain = {
    room: { low: 4, high: typed(16) },
    devices: [{ id: "h1", device: "heater", at: null, heater: { power: 60 } }],
    controllers: [{ id: "u1", unit: { kind: "heatOnly" }, probes: ["p1"], heat: ["h1"], cold: [] }],
    vessels: [{ id: "v1", vessel: { volume: 0.02 }, product: { kind: "hold" }, band: { low: 17 } }],
    probes: [{ id: "p1", in: "v1", probe: { place: "air" } }],
    stages: [{ id: "s1", stage: { low: 16, high: 19 }, settings: { u1: { setpoint: 18 } } }],
  };
  it("say the same as values with their origin, in every section, and beside them", async () => {
    const [a, b] = [await ask("trial", { chamber: stored, days: 1 }), await ask("trial", { chamber: plain, days: 1 })];
    expect([a.status, b.status]).toEqual([200, 200]);
    expect(b.answer).toEqual(a.answer);
    const doc = openapi() as { components: { schemas: Record<string, object> } };
    const validate = new Ajv2020({ strict: false, validateFormats: false }).compile(doc.components.schemas.trial!);
    for (const chamber of [stored, plain]) expect(validate({ chamber })).toBe(true);
    expect(validate({ chamber: { room: { low: "4" } } })).toBe(false);
  });
  it("are taken in the older form too", async () => {
    const old = (kind: unknown) => ({
      chamber: { heater: { power: 60 }, unit: { kind }, vessels: [{ vessel: {}, product: {} }] },
    });
    const [a, b] = [await ask("settings", old("pair")), await ask("settings", old(typed("pair")))];
    expect([a.status, a.answer]).toEqual([b.status, b.answer]);
    expect((a.answer.stages as { controllers: object[] }[])[0]!.controllers).toHaveLength(2);
  });
  it("that do not fit are refused with their place", async () => {
    const { status, answer } = await ask("settings", { chamber: { room: { low: "cold" } } });
    expect([status, JSON.stringify(answer)]).toEqual([422, expect.stringContaining("chamber.room.low")]);
    expect((await ask("settings", { chamber: { room: 4 } })).status).toBe(422);
    expect((await ask("settings", { chamber: { stages: [4] } })).status).toBe(422);
  });
});

describe("whatever a chamber says", () => {
  const doc = openapi() as {
    components: { schemas: Record<string, object> };
    paths: Record<string, { post: { responses: object } }>;
  };
  const validator = new Ajv2020({ strict: false, validateFormats: false, allErrors: true });
  const names = Object.keys(chamberInput.shape);
  const chamberOf = (record: object) =>
    Object.fromEntries(Object.entries(record).filter(([name]) => names.includes(name)));

  it("each field of each section that stands alone is taken plainly as it is with its origin", async () => {
    const sections = ["room", "cabinet", "thermal", "build", "moisture", "program"];
    for (const { section, field, values } of edgesOfFields.filter((e) => sections.includes(e.section))) {
      const of = (value: unknown) => ask("settings", { chamber: { [section]: { [field]: value } } });
      const [plainly, stored] = [await of(values[0]), await of({ value: values[0], origin: "typed" })];
      expect([section, field, plainly.status, plainly.answer]).toEqual([section, field, stored.status, stored.answer]);
    }
  });

  it("answers are as described, also of chambers with fields at their edges", async () => {
    const validators = new Map(calls.map((c) => [c, validator.compile(doc.components.schemas[`${c}-answer`]!)]));
    for (const { name, record } of edgeChambers(tries(10, 700), 3, Number(process.env.HARD_SEED ?? 20261201)))
      for (const [call, body] of [
        ["settings", {}],
        ["trial", { days: 0.5, bins: 20 }],
        ["verdicts", { days: 0.5 }],
      ] as const) {
        const { status, answer } = await ask(call, { chamber: chamberOf(record), ...body });
        if (status !== 200) {
          expect([name, call, status]).toEqual([name, call, 422]);
          continue;
        }
        const validate = validators.get(call)!;
        validate(answer);
        expect([name, call, validate.errors ?? []]).toEqual([name, call, []]);
      }
  });

  it("every status that comes is described", () => {
    const described = Object.keys(doc.paths["/api/v1/trial"]!.post.responses);
    expect(described).toEqual(["200", "400", "404", "405", "408", "413", "415", "422", "499", "500", "503"]);
    expect(wrongMethod()).toMatchObject({ status: 405, headers: { Allow: "POST" } });
  });

  it("a verdict on a limit says that it is one", async () => {
    const { status, answer } = await ask("verdicts", {
      chamber: {
        vessels: [{ id: "v1", vessel: {}, product: { kind: "honey" }, band: {} }],
        stages: [{ id: "s1", stage: { low: 64, high: 66 }, settings: {} }],
      },
      days: 3,
    });
    expect(status).toBe(200);
    expect(JSON.stringify(answer)).toContain('"limit":true');
    const validate = validator.compile(doc.components.schemas["verdicts-answer"]!);
    validate(answer);
    expect(validate.errors ?? []).toEqual([]);
  });
});

it("every call has its schema", () => {
  for (const call of calls) expect(requests[call satisfies Call]).toBeDefined();
});
