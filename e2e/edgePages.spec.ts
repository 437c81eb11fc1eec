import type { Page } from "@playwright/test";
import type { ChamberRecord } from "../core/model";
import { edgeChambers } from "../core/testing/edges";
import { expect, test } from "./fixtures";

/** `npm run hard` asks for all; verify for a share of them. */
const COUNT = Number(process.env.HARD_PAGES ?? 2);
const SEED = Number(process.env.HARD_SEED ?? 20261201);
/** Longest that a page may take to show what it has to, ms: on two cores that others use too. */
const HANG = 20_000;
/** So many go into one file, and one browser. */
const EACH = 4;

const chambers = [...edgeChambers(COUNT, 3, SEED)].map(({ name, record }, i) => ({
  name,
  record: { ...record, id: `edge-${i}`, name: `Edge ${i}`, demo: false } as ChamberRecord,
}));

/** What a page says or draws that is no number. */
const flaws = (page: Page): Promise<string[]> =>
  page.evaluate(() => {
    const none = /NaN|Infinity|undefined|\[object/;
    const found: string[] = [];
    for (const line of document.body.innerText.split("\n")) if (none.test(line)) found.push(line.slice(0, 160));
    if (/Something broke on this page|This cannot be shown/.test(document.body.innerText))
      found.push("a part that broke");
    for (const e of document.querySelectorAll("svg, svg *"))
      for (const { name, value } of e.attributes)
        if (none.test(value)) found.push(`${e.tagName} ${name}=${value.slice(0, 60)}`);
    for (const input of document.querySelectorAll("input"))
      if (none.test(input.value)) found.push(`field ${input.value}`);
    return [...new Set(found)].slice(0, 5);
  });

for (let first = 0; first < chambers.length; first += EACH)
  test(`chambers with fields at their edges, through every page: ${first + 1} to ${Math.min(COUNT, first + EACH)}, seed ${SEED}`, async ({
    page,
  }) => {
    test.slow();
    const mine = chambers.slice(first, first + EACH);
    await page.goto("/preferences");
    await page.getByLabel("Look into a backup").setInputFiles({
      name: "edges.json",
      mimeType: "application/json",
      buffer: Buffer.from(
        JSON.stringify({
          format: "gentle-crock-workshop",
          version: 4,
          exportedAt: "2026-11-01T10:00:00.000Z",
          records: mine.map((c) => c.record),
          series: [],
        }),
      ),
    });
    await page.getByRole("button", { name: "Bring the chambers in" }).click();
    await expect(page.getByText(/(is|are) back\./)).toBeVisible();
    const panel = page.locator("section[aria-label='Trial']");
    const wrong: string[] = [];
    const look = async (name: string, where: string) => {
      for (const flaw of await flaws(page)) wrong.push(`${name} · ${where}: ${flaw}`);
    };
    for (const { name, record } of mine) {
      await page.goto(`/bench?c=${record.id}&at=job`);
      await expect(panel).toHaveAttribute("data-busy", "false", { timeout: HANG });
      for (const at of ["Job", "Box", "Heat & cold", "Wiring", "Probe", "Settings"]) {
        // Along the path, as a hand takes it: the trial need not be run anew.
        const station = page.locator(`nav[aria-label="Stations"] button[title^="${at}:"]`);
        await station.click();
        await expect(station).toHaveAttribute("aria-current", "step");
        // Nothing is worked out in what is folded away.
        for (const fold of await page.locator("main details:not([open]) > summary").all())
          await fold.click({ timeout: 5000 }).catch(() => undefined);
        await look(name, at);
      }
      await page.getByRole("button", { name: "Trial on the whole screen" }).click();
      await expect(page.getByRole("button", { name: "Close the full trial" })).toBeVisible();
      await look(name, "full trial");
      for (const room of ["card", "parts", "wiring"]) {
        await page.goto(`/${room}?c=${record.id}`);
        await expect(page.getByRole("heading", { level: 1 })).toBeVisible({ timeout: HANG });
        await page.waitForLoadState("networkidle");
        await look(name, room);
      }
    }
    await page.goto("/");
    await expect(page.getByText("Running its trial")).toHaveCount(0, { timeout: HANG * EACH });
    await look("all", "shelf");
    expect(wrong).toEqual([]);
  });
