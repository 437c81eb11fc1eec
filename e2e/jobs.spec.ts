import { readFileSync } from "node:fs";
import type { Page } from "@playwright/test";
import { expect, fill, openDemo, openTrial, stored, test, trialDone } from "./fixtures";

const BEGINS = "2026-12-04T18:30";

/** The usual stages of a product in a chamber, or one more stage where it has none. */
async function staged(page: Page): Promise<void> {
  const usual = page.getByRole("button", { name: /^(Take its|Begin again with the) usual stages/ });
  if (await usual.isVisible()) await usual.click();
  else await page.getByRole("button", { name: "Another stage after it" }).click();
  await expect(page.getByRole("region", { name: "To be done" })).toBeVisible();
}

/** The iCalendar file of the program, as it is saved. */
async function calendarOf(page: Page): Promise<string> {
  const saved = page.waitForEvent("download");
  await page.getByRole("button", { name: "Into the calendar" }).click();
  return readFileSync(await (await saved).path(), "utf8");
}

// Of each job a chamber of the demo, what its first stage waits for, and something to do in it.
const firstJobs: [chamber: string, kind: string | null, does: RegExp][] = [
  ["larder-cabinet", null, /Take a gravity|Finish/],
  ["picnic-box", null, /Turn the trays/],
  ["warm-cupboard", null, /Stir/],
  ["stockpot", null, /Setpoint|Cook/],
  ["smokehouse", null, /Look at fire and fuel/],
];
const otherJobs: typeof firstJobs = [
  ["curing-cabinet", null, /Weigh/],
  ["curing-cabinet", "wholeMuscle", /Turn the pieces/],
  ["mash-kettle", null, /Protein rest|Maltose/],
  ["larder-cabinet", "serving", /Stage 2|Setpoint/],
  ["larder-cabinet", "hold", /Stage 2|Setpoint/],
];

for (const [part, jobs] of [
  ["beer, tempeh, honey, bath, smoke", firstJobs],
  ["sausage, whole muscle, mash, serving, one's own", otherJobs],
] as const)
  test(`each of the nine jobs, ${part}: its program from the template, adapted, run as a trial, its calendar saved`, async ({
    page,
  }) => {
    await openDemo(page, "job");
    for (const [chamber, kind, does] of jobs) {
      await page.goto(`/bench?c=demo-${chamber}&at=job`);
      await trialDone(page);
      await expect(page.getByLabel(/^What is in (it|vessel 1)/).first()).toBeVisible();
      if (kind) {
        // What was staged before belongs to another product: as it was at first.
        const undo = page.getByRole("button", { name: /^Undo: / }).first();
        for (let i = 0; i < 12 && (await undo.count()) > 0; i++) await undo.click();
        await page.getByLabel("What is in it").first().selectOption(kind);
      }
      // Each step is seen once its trial is there: before that the fields are still those of the last one.
      await trialDone(page);
      await staged(page);
      await trialDone(page);
      await page.getByRole("button", { name: "Something to do" }).click();
      await trialDone(page);
      await page
        .getByRole("textbox", { name: /: what$/ })
        .last()
        .fill("Look at the seal");
      await page
        .getByRole("textbox", { name: /: what$/ })
        .last()
        .press("Enter");
      await page.getByLabel("It begins").fill(BEGINS);
      await trialDone(page);
      const text = await calendarOf(page);
      expect(text, chamber).toMatch(/BEGIN:VEVENT/);
      expect(text.replace(/\r\n /g, ""), chamber).toMatch(does);
      expect(new Set(text.match(/^UID:.*/gm)).size, chamber).toBe(text.match(/^UID:.*/gm)!.length);
      await expect(page.getByRole("group", { name: "Program" }).getByRole("button").first()).toBeVisible();
    }
  });

test("a finish is planned backwards around two days away; the rest is planned anew when a stage ends late", async ({
  page,
}) => {
  await openDemo(page, "job");
  await page.getByRole("button", { name: "Take its usual stages" }).click();
  await page.getByLabel("Length of the trial").selectOption("30 days");
  const plan = page.getByRole("button", { name: "Plan backwards from there" });
  await expect(plan).toBeDisabled();
  await page.getByLabel("It begins").fill(BEGINS);
  await fill(page, "Somebody is there from", "7");
  await fill(page, "… until", "22");
  await page.getByRole("button", { name: "Days on which nobody is there" }).click();
  // Days away are dates now, and stay on them.
  await page.getByLabel("Away 1: from").fill("2026-12-20T08:00");
  await expect(page.getByLabel("Away 1: until")).toHaveValue("2026-12-22T08:00");
  await page.getByLabel("Away 1: until").fill("2026-12-19T08:00");
  await expect(page.getByRole("alert").first()).toContainText("have to end after they begin");
  await page.getByLabel("Away 1: until").fill("2026-12-22T08:00");
  await page.getByLabel("To be ready by").fill("2026-12-24T18:00");
  await plan.click();
  const found = page.getByRole("region", { name: "The plan" });
  await expect(found).toContainText(/Begin on .*nine of ten cases/, { timeout: 60_000 });
  await found.getByRole("button", { name: "Begin then" }).click();
  await expect(found.getByRole("button", { name: "It begins then" })).toBeDisabled();
  await expect(page.getByLabel("It begins")).not.toHaveValue(BEGINS);
  await expect(page.getByLabel("Away 1: from")).toHaveValue("2026-12-20T08:00");
  const begins = Date.parse(await page.getByLabel("It begins").inputValue());
  expect(begins).toBeLessThan(Date.parse("2026-12-18T00:00"));
  // On the strip: an end is moved by keys, and undone.
  await trialDone(page);
  const end = page.getByRole("slider", { name: "End of Ferment" });
  const was = await end.getAttribute("aria-valuetext");
  await end.press("PageDown");
  await expect(end).not.toHaveAttribute("aria-valuetext", was!);
  await page.getByRole("button", { name: /^Undo/ }).first().click();
  await expect(end).toHaveAttribute("aria-valuetext", was!);
  // A stage that ended later than planned.
  await page.getByText("It went otherwise").click();
  await trialDone(page);
  const ended = page.getByLabel("It ended on");
  const later = new Date(Date.parse(`${await ended.inputValue()}Z`) + 3 * 86_400_000).toISOString().slice(0, 16);
  await ended.fill(later);
  await page.getByRole("button", { name: "Plan the rest anew" }).click();
  await expect(page.getByRole("status", { name: "What has changed" })).toContainText(
    // Fermented out by then and nobody there before the 22nd: the stage that would have followed falls away.
    /\(no longer\) Finish: Setpoint|was .*Crash: Setpoint/,
  );
});

test("limits are named with their remedy: degree-hours, a bath too cool, a crash below freezing, honey past its limit", async ({
  page,
}) => {
  await openDemo(page);
  const verdicts = page.getByRole("group", { name: "Verdicts" });
  const open = async (chamber: string) => {
    await page.goto(`/bench?c=demo-${chamber}&at=job`);
    await trialDone(page);
  };
  await open("curing-cabinet");
  await fill(page, "pH at the start", "5.8");
  await fill(page, "Sugar for the culture", "0.3");
  await fill(page, "Coldest allowed", "20");
  await fill(page, "Warmest allowed", "22");
  await fill(page, "Coldest allowed", "20");
  await fill(page, "Pace", "0.3");
  await page.getByRole("button", { name: "Take its usual stages" }).click();
  await page.getByRole("button", { name: /^1\. Sour/ }).click();
  await fill(page, "Coldest allowed", "25");
  await trialDone(page);
  const passed = verdicts.getByRole("button", { name: /Degree-hours.*past its limit/ });
  await passed.click();
  await expect(verdicts).toContainText(/no more than 100.% is the limit/);
  await expect(verdicts).toContainText(/laboratory test or the bin/);
  // Kept knowingly it stays what it is, and is marked.
  await verdicts.getByRole("button", { name: "I keep to my own way" }).click();
  await expect(verdicts).toContainText("You keep to your own way here. The limit stands.");
  await expect(passed).toBeVisible();

  await open("stockpot");
  await fill(page, "Coldest allowed", "50");
  await fill(page, "Warmest allowed", "52");
  await trialDone(page);
  await verdicts.getByRole("button", { name: /Nothing is pasteurised/ }).click();
  await expect(verdicts).toContainText(/never reaches 54\.4/);
  await verdicts.getByRole("button", { name: "Keep it" }).first().click();
  await trialDone(page);
  await expect(verdicts.getByRole("button", { name: /Nothing is pasteurised/ })).toHaveCount(0);

  await open("larder-cabinet");
  await page.getByRole("button", { name: "Take its usual stages" }).click();
  await page.getByLabel("Length of the trial").selectOption("14 days");
  await page
    .getByRole("navigation", { name: "Stages of the program" })
    .getByRole("button", { name: /^3\. Crash/ })
    .click();
  await fill(page, "Coldest allowed", "-4");
  await fill(page, "Warmest allowed", "-2");
  await trialDone(page);
  await expect(verdicts).toContainText(/freez/i);

  await open("warm-cupboard");
  await fill(page, "Warmest allowed", "62");
  await fill(page, "Coldest allowed", "58");
  await page.getByLabel("Length of the trial").selectOption("14 days");
  await trialDone(page);
  await expect(verdicts.getByRole("button", { name: /HMF past its limit/ }).first()).toBeVisible();
});

test("the library: a program is copied, named, put into a chamber, and comes back out of a file; a recipe too", async ({
  page,
}) => {
  await openDemo(page, "job");
  const recipe = {
    beerjson: {
      version: 2,
      recipes: [
        {
          name: "Rye",
          original_gravity: { unit: "sg", value: 1.05 },
          final_gravity: { unit: "sg", value: 1.008 },
          fermentation: {
            fermentation_steps: [
              { name: "Warm", start_temperature: { unit: "C", value: 23 }, step_time: { unit: "day", value: 5 } },
              { name: "Cold", start_temperature: { unit: "C", value: 3 } },
            ],
          },
        },
      ],
    },
  };
  const file = (name: string, text: string) => ({ name, mimeType: "application/json", buffer: Buffer.from(text) });
  await page.getByLabel("A recipe, BeerJSON").setInputFiles(file("broken.json", "{"));
  await expect(page.getByText(/broken\.json: This is no BeerJSON file/)).toBeVisible();
  await page.getByLabel("A recipe, BeerJSON").setInputFiles(file("rye.json", JSON.stringify(recipe)));
  await expect(page.getByRole("textbox", { name: "Original gravity", exact: true })).toHaveValue("1.050");
  const stages = page.getByRole("navigation", { name: "Stages of the program" });
  await expect(stages.getByRole("button", { name: /^1\. Warm/ })).toContainText("22.0 °C to 24.0 °C");
  await page.getByRole("button", { name: "Keep these stages in the library" }).click();
  await page.getByRole("link", { name: "Look at the library" }).click();
  const own = page.getByRole("region", { name: "Your programs" });
  await expect(own.getByRole("heading", { name: "Larder cabinet, rye saison" })).toBeVisible();
  await own.getByLabel(/More about/).click();
  await page.getByRole("button", { name: "Name and note" }).click();
  await page.getByRole("textbox", { name: "Its name" }).fill("Rye, twice");
  await page.getByRole("textbox", { name: "Its name" }).press("Enter");
  await expect(own.getByRole("heading", { name: "Rye, twice" })).toBeVisible();
  const saved = page.waitForEvent("download");
  await page.getByRole("button", { name: "Yours into a file" }).click();
  const text = readFileSync(await (await saved).path(), "utf8");
  await own.getByLabel(/More about/).click();
  await page.getByRole("button", { name: "Take it out of the library" }).click();
  await expect(own.getByRole("heading", { level: 3 })).toHaveCount(0);
  await page.getByRole("button", { name: /^Undo/ }).click();
  await expect(own.getByRole("heading", { name: "Rye, twice" })).toBeVisible();
  await own.getByLabel(/More about/).click();
  await page.getByRole("button", { name: "Take it out of the library" }).click();
  await page.getByLabel("A file of programs").setInputFiles(file("nothing.json", "[]"));
  await expect(page.getByRole("status").filter({ hasText: "no file of programs" })).toBeVisible();
  await page.getByLabel("A file of programs").setInputFiles(file("mine.json", text));
  await expect(own.getByRole("heading", { name: "Rye, twice" })).toBeVisible();
  // A usual one into a chamber that cannot have it is refused, with the reason; nothing is changed.
  const usual = page.getByRole("region", { name: "The usual programs" });
  const mash = usual.getByRole("listitem").filter({ has: page.getByRole("heading", { name: /^Mash/ }) });
  await mash.getByLabel("Put a copy into").selectOption({ label: "Larder cabinet, rye saison" });
  await mash.getByRole("button", { name: /^Take it/ }).click();
  await expect(mash.getByRole("alert")).toContainText(/Nothing here has a converted.*Nothing was changed/);
  await stored(page);
  await page.reload();
  await expect(own.getByRole("heading", { name: "Rye, twice" })).toBeVisible();
});

test("a reading stands beside its course, and says at what pace it goes", async ({ page }) => {
  await openDemo(page, "job");
  await openTrial(page);
  await page.getByText("A reading beside it").click();
  await page.getByLabel("What was read").selectOption({ label: "Gravity" });
  await fill(page, "When, from the beginning", "48");
  await fill(page, "Its gravity", "1.045");
  await page.getByRole("button", { name: "Put it beside the course" }).click();
  const line = page.getByRole("list", { name: "Readings" }).getByRole("listitem");
  await expect(line).toContainText(/Gravity 1\.045; by the course 1\.0/);
  await expect(page.getByRole("img", { name: /^Gravity: .*1 read/ })).toBeVisible();
  await line.getByRole("button", { name: /times the usual pace\. Take that/ }).click();
  await trialDone(page);
  await expect(line).toContainText(/by the course 1\.04[456]/);
  await stored(page);
  await page.reload();
  await trialDone(page);
  await openTrial(page);
  await expect(page.getByRole("list", { name: "Readings" }).getByRole("listitem")).toHaveCount(1);
});

test("a second piece goes in later: the slowest decides, and the list says when", async ({ page }) => {
  await openDemo(page, "job");
  await page.goto("/bench?c=demo-stockpot&at=job");
  await trialDone(page);
  await page.getByRole("button", { name: "Something else stands in it too" }).click();
  await trialDone(page);
  await fill(page, "Put in after", "3");
  await trialDone(page);
  await page.getByRole("button", { name: "Take its usual stages" }).click();
  await trialDone(page);
  const todo = page.getByRole("region", { name: "To be done" });
  await expect(todo).toContainText(/21:00.*Put in vessel 2, at 6/);
  await expect(page.getByText(/the tenfold falls of germs of every vessel is at/)).toBeVisible();
  // The first one is there from the beginning: it has no such field, and becomes the only one when the other goes.
  await expect(page.getByRole("textbox", { name: "Put in after" })).toHaveCount(1);
  await openTrial(page);
  await expect(page.getByText(/^Vessel 2: tenfold falls of germs/).first()).toBeVisible();
  await page.keyboard.press("t");
  await page.getByRole("button", { name: "Take it out" }).last().click();
  await trialDone(page);
  await expect(page.getByRole("textbox", { name: "Put in after" })).toHaveCount(0);
  await expect(todo).not.toContainText("Put in vessel 2");
});
