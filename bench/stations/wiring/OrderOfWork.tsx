"use client";

import { useId, useState } from "react";
import { PHOTO_LENGTH } from "@/core/model";
import { neverHere, orderOfWork, proveAgain, type WiringPlan } from "@/core/wiring";
import { useActions, useChamber } from "../../context";

/** Longest side of a kept photo, px; it is made smaller still until it is short enough. */
const SIDES = [1280, 960, 720, 480] as const;

/** Makes a photo small enough to be kept; null where it is none that this browser can read. */
async function kept(file: Blob): Promise<string | null> {
  const bitmap = await createImageBitmap(file).catch(() => null);
  if (!bitmap) return null;
  for (const side of SIDES) {
    const share = Math.min(1, side / Math.max(bitmap.width, bitmap.height));
    const canvas = document.createElement("canvas");
    canvas.width = Math.max(1, Math.round(bitmap.width * share));
    canvas.height = Math.max(1, Math.round(bitmap.height * share));
    canvas.getContext("2d")?.drawImage(bitmap, 0, 0, canvas.width, canvas.height);
    const text = canvas.toDataURL("image/jpeg", 0.8);
    if (text.length <= PHOTO_LENGTH) return text;
  }
  return null;
}

/** The work step by step with its stop points, a photo of it, what is proved again, and where no hole goes. */
export function OrderOfWork({ plan }: { plan: WiringPlan }) {
  const { record, chamber } = useChamber();
  const { change } = useActions();
  const [problem, setProblem] = useState<string | null>(null);
  const input = useId();
  const { done, photo } = record.work;
  const steps = orderOfWork(plan);
  const { faces, ways } = neverHere(chamber);
  const tick = (id: string) =>
    change(
      (r) => ({
        ...r,
        work: {
          ...r.work,
          done: r.work.done.includes(id) ? r.work.done.filter((d) => d !== id) : [...r.work.done, id],
        },
      }),
      "step of the work",
    );
  const keep = async (file: Blob | undefined) => {
    if (!file) return;
    const text = await kept(file);
    setProblem(text ? null : "This file is no picture that can be read here. Take a JPEG or PNG.");
    if (text) change((r) => ({ ...r, work: { ...r.work, photo: text } }), "photo of the wiring");
  };
  return (
    <div className="grid gap-5">
      <ol className="grid max-w-prose gap-1">
        {steps.map(({ id, says, tools, stop }) => (
          <li key={id} className={stop ? "border-error border-l-4 pl-3" : "pl-4"}>
            <label className="flex min-h-11 items-start gap-3 py-2">
              <input
                type="checkbox"
                className="accent-base-content mt-0.5 h-5 w-5 shrink-0"
                checked={done.includes(id)}
                onChange={() => tick(id)}
              />
              <span>
                <span className={stop ? "font-semibold" : ""}>{says}</span>
                {tools && <span className="quiet"> Tools: {tools}.</span>}
              </span>
            </label>
          </li>
        ))}
      </ol>
      <section className="grid max-w-prose gap-2" aria-label="Photo of the finished wiring">
        <h4 className="text-lg">Photo of the finished wiring</h4>
        {photo ? (
          <svg
            role="img"
            aria-label="The finished wiring"
            viewBox="0 0 4 3"
            className="rule-line max-h-96 w-full border"
          >
            <image href={photo} width="4" height="3" />
          </svg>
        ) : (
          <p className="quiet">None yet. It is kept with this chamber, in this browser and in your backups alone.</p>
        )}
        <div className="flex flex-wrap gap-2">
          <label htmlFor={input} className="key cursor-pointer">
            {photo ? "Another photo" : "Keep a photo"}
          </label>
          <input
            id={input}
            type="file"
            accept="image/*"
            className="sr-only"
            onChange={(e) => {
              void keep(e.target.files?.[0]);
              e.target.value = "";
            }}
          />
          {photo && (
            <button
              type="button"
              className="key"
              onClick={() => change((r) => ({ ...r, work: { ...r.work, photo: null } }), "photo of the wiring")}
            >
              Remove it
            </button>
          )}
        </div>
        {problem && (
          <p role="alert" className="text-error">
            {problem}
          </p>
        )}
      </section>
      <section className="grid max-w-prose gap-2" aria-label="What is proved again">
        <h4 className="text-lg">What is proved again, after what</h4>
        <ul className="grid gap-1">
          {proveAgain.map(({ after, what }) => (
            <li key={after}>
              After {after}: <strong>{what}</strong>.
            </li>
          ))}
        </ul>
      </section>
      {faces.length > 0 && (
        <section className="grid max-w-prose gap-2" aria-label="Holes in the cabinet">
          <h4 className="text-lg">Holes in the cabinet: never here</h4>
          <p>No face of it is known to be free. A pierced pipe lets out the refrigerant, which mostly burns.</p>
          <ul className="grid gap-1">
            {faces.map(({ face, hides }) => (
              <li key={face}>
                <strong className="text-error">{face}, never:</strong> {hides}.
              </li>
            ))}
          </ul>
          <p>Ways that need no hole: {ways.join("; ")}.</p>
        </section>
      )}
      <p className="max-w-prose">
        <strong>Local code and a licensed electrician decide.</strong>
      </p>
    </div>
  );
}
