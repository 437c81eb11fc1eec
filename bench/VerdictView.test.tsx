import "@testing-library/jest-dom";
import { render, screen, within } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import type { Remedy } from "@/core/verdict";
import { tryEdits } from "@/core/chamber";
import { celsius, kelvins } from "@/core/quantity";
import { heaterOf, recordWith, steadyRoom } from "@/core/testing/build";
import { planOf, runTrial, trialOf } from "@/core/trial";
import { judge, weigh, type Effect, type Verdict } from "@/core/verdict";
import { ActionsContext, TrialContext, type BenchActions, type BenchTrial } from "./context";
import { VerdictTitle } from "./VerdictTitle";
import { VerdictView } from "./VerdictView";

/** A real chamber that goes wrong: differentials far wider than its band. */
const record = recordWith(
  ...steadyRoom(8),
  heaterOf(60),
  { section: "product", field: "kind", value: "hold" },
  { section: "stage", field: "low", value: celsius(19.5) },
  { section: "stage", field: "high", value: celsius(20.5) },
  { section: "settings", field: "heatingDifferential", value: kelvins(2) },
);
const DAYS = 5;
const plan = planOf(record);
const verdicts = judge(plan, runTrial(trialOf(plan, DAYS)), "C");
const verdict = verdicts.find((v) => v.id === "leaves-band")!;
const effects = weigh(record, verdict, verdicts, DAYS, "C");

function show(
  weighed: Effect[] | undefined,
  seen: { tried: Remedy[]; kept: Remedy[] } = { tried: [], kept: [] },
  of: Verdict = verdict,
) {
  const trial = { effects: { [of.id]: weighed }, trying: null } as unknown as BenchTrial;
  const actions = {
    tryRemedy: (r: Remedy) => seen.tried.push(r),
    keepRemedy: (r: Remedy) => seen.kept.push(r),
  } as unknown as BenchActions;
  const { unmount } = render(
    <ActionsContext value={actions}>
      <TrialContext value={trial}>
        <VerdictTitle verdict={of} />
        <VerdictView verdict={of} />
      </TrialContext>
    </ActionsContext>,
  );
  return { ...seen, unmount };
}

describe("a verdict on the bench", () => {
  it("says how bad it is in words too, not by colour alone, with its numbers", () => {
    show(effects);
    expect(screen.getByText(/^(Serious|Warning):$/)).toBeInTheDocument();
    expect(screen.getByText(verdict.text, { normalizer: (text) => text })).toBeVisible();
    expect(verdict.text).toMatch(/°C/);
  });

  it("offers each useful remedy with the effect that its own trial has", () => {
    show(effects);
    const items = screen.getAllByRole("listitem");
    const useful = effects.filter((e) => e.cures || !e.harms);
    expect(useful.length).toBeGreaterThan(0);
    expect(items).toHaveLength(useful.length);
    useful.forEach((effect, i) => {
      expect(items[i]).toHaveTextContent(effect.remedy.label);
      // Not the words of the remedy but a trial run here is what the screen has to agree with.
      const changed = tryEdits(record, effect.remedy.edits);
      if (!changed.ok) throw new Error(changed.problem);
      const after = planOf(changed.value);
      const trial = runTrial(trialOf(after, DAYS));
      const gone = !judge(after, trial, "C").some((v) => v.id === verdict.id);
      expect(/It helps, but does not cure it/.test(items[i]!.textContent!)).toBe(!gone);
    });
  });

  it("gives the very remedy to try and to keep", async () => {
    const user = userEvent.setup();
    const seen = show(effects);
    const first = within(screen.getAllByRole("listitem")[0]!);
    await user.click(first.getByRole("button", { name: "Try it" }));
    await user.click(first.getByRole("button", { name: "Keep it" }));
    const useful = effects.filter((e) => e.cures || !e.harms);
    expect(seen.tried).toEqual([useful[0]!.remedy]);
    expect(seen.kept).toEqual([useful[0]!.remedy]);
  });

  it("says that two remedies exclude each other", () => {
    const cures = effects[0]!;
    const other: Effect = {
      ...cures,
      remedy: {
        id: "other",
        label: "Something else",
        edits: cures.remedy.edits.map((e) => ({ ...e, value: kelvins(1.23) }) as typeof e),
      },
    };
    show([cures, other]);
    expect(screen.getByText(/Instead of it, not beside it: something else\./)).toBeVisible();
  });

  it("says so while it weighs, and where nothing helps", () => {
    const { unmount } = show(undefined);
    expect(screen.getByText(/Weighing what would help/)).toBeVisible();
    unmount();
    // Of what no setting could cure: of the others a search has the last word (e2e/advice.spec.ts).
    show(
      effects.map((e) => ({ ...e, cures: false, harms: true })),
      undefined,
      { ...verdict, id: "surface-hot" },
    );
    expect(screen.getByText("None of the usual remedies helps here.")).toBeVisible();
  });
});
