import { callWords, calls, examples } from "@/door";
import { glossary, type Term } from "@/parts/common/glossary";
import { TermPicture } from "@/parts/common/TermPicture";
import { RoomHead } from "./RoomHead";
import { WorkedCall } from "./WorkedCall";

/** Reference: the door for scripts, with worked calls. */
export function DoorPage() {
  return (
    <>
      <RoomHead title="Reference" />
      <main className="mx-auto grid max-w-4xl gap-6 px-4 py-6 md:px-8">
        <section className="grid gap-2" id="words">
          <h2 className="text-2xl">Words</h2>
          <dl className="grid gap-x-8 md:grid-cols-2">
            {(Object.keys(glossary) as Term[])
              .toSorted((a, b) => glossary[a][0].localeCompare(glossary[b][0]))
              .map((term) => (
                <div key={term} className="rule-line border-b py-1">
                  <dt className="font-semibold">{glossary[term][0]}</dt>
                  <dd>
                    {glossary[term][1]}
                    <TermPicture term={term} />
                  </dd>
                </div>
              ))}
          </dl>
        </section>
        <h2 className="mt-4 text-2xl">A door for scripts</h2>
        <p className="max-w-prose text-lg">
          What the bench computes can be asked over HTTP from the machine that this application runs on. It keeps
          nothing: a chamber goes in, an answer comes out, the data stay with you.
        </p>
        <section className="grid gap-2">
          <h3 className="text-xl">The calls</h3>
          <dl className="grid gap-1">
            {calls.map((call) => (
              <div key={call} className="rule-line grid gap-x-4 border-b py-1 sm:grid-cols-[16rem_1fr]">
                <dt className="font-semibold">POST /api/v1/{call}</dt>
                <dd>{callWords[call]}</dd>
              </div>
            ))}
          </dl>
          <p>
            What each takes and returns stands in{" "}
            <a className="underline" href="/api/v1/openapi.json">
              /api/v1/openapi.json
            </a>{" "}
            (OpenAPI 3.1). Temperatures in °C, differences in K, lengths in m, volumes in m³, power in W, times in s. A
            chamber holds only what differs from its defaults, each value with its origin, as in a workshop backup.
          </p>
          <p>
            An error says which field, why, and what would do. Bodies over 512 kB are refused (413), trials over 30 days
            and impossible chambers too (422); when too many ask at once, some are asked to come back (503).
          </p>
        </section>
        <section className="grid gap-4">
          <h3 className="text-xl">Worked calls</h3>
          {examples.map((example) => (
            <WorkedCall key={example.title} {...example} />
          ))}
        </section>
      </main>
    </>
  );
}
