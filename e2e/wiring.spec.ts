import { expect, fill, openDemo, stored, test, trialDone } from "./fixtures";
import { getDocument } from "pdfjs-dist/legacy/build/pdf.mjs";
import type { Page } from "@playwright/test";

const says = (page: Page) => page.getByRole("region", { name: "What the plan says" });
const result = (page: Page) => page.getByRole("status", { name: "What the readings say" });

/** The wiring of the larder cabinet, done by oneself, with what is asked answered. */
async function wiredMyself(page: Page): Promise<void> {
  await openDemo(page, "wiring");
  await page.getByRole("checkbox", { name: "I wire it myself" }).check();
  await page.getByLabel("One-shot thermal cut-out").selectOption({ label: "Yes, in series with the heater" });
}

async function openProof(page: Page): Promise<void> {
  await page.getByText("Proof by meter", { exact: true }).click();
  await expect(result(page)).toContainText("No reading yet.");
  await page.getByRole("checkbox", { name: /^The meter works/ }).check();
}

/** Gives every test of a part of the proof the reading that a sound wiring has. */
async function readSound(page: Page, part: string): Promise<void> {
  const rows = page.getByRole("region", { name: part }).getByRole("listitem");
  const count = await rows.count();
  for (let i = 0; i < count; i++) {
    const row = rows.nth(i);
    const text = await row.innerText();
    if (/has to beep/.test(text)) await row.getByRole("button", { name: /^It beeps/ }).click();
    else if (/no reading/.test(text)) await row.getByRole("button", { name: /^No reading/ }).click();
    else {
      // The middle of what it says, in the units that it says.
      const range = /→ ([\d.]+)(?: k?Ω)? to ([\d.]+)/.exec(text);
      const most = /→ at most ([\d.]+)/.exec(text);
      const value = range ? (Number(range[1]) + Number(range[2])) / 2 : Number(most?.[1]) / 2;
      const field = row.getByRole("textbox");
      await field.fill(String(Math.round(value * 10) / 10));
      await field.press("Enter");
    }
    await expect(row).toContainText("· right");
  }
}

test("what is there is asked, and unknown to begin with; two kinds of mains; what is picked in the list lights up", async ({
  page,
}) => {
  await openDemo(page, "wiring");
  // A ready-made unit is asked for its protection and its cut-out too.
  await expect(says(page)).toContainText("Nobody has said yet whether residual-current protection");
  await expect(says(page)).toContainText("Nobody has said yet whether a one-shot cut-out");
  await page.getByRole("checkbox", { name: "I wire it myself" }).check();
  await expect(says(page)).toContainText("Danger: Nothing ends the heating");
  await page.getByLabel("One-shot thermal cut-out").selectOption({ label: "Yes, in series with the heater" });
  await expect(says(page)).not.toContainText("Nothing ends the heating");
  await page.getByLabel("Residual-current protection", { exact: true }).selectOption({ label: "None" });
  await expect(says(page)).toContainText("Danger: No residual-current protection");
  await page.getByLabel("Residual-current protection", { exact: true }).selectOption({ label: "Yes, 30 mA (RCD)" });
  await expect(says(page)).toContainText("Not checked:");
  await expect(says(page)).toContainText("three-phase supplies");
  const wires = page.getByRole("region", { name: "Conductors" });
  await expect(wires).toContainText(/BS 7671/);
  await expect(wires).toContainText("green-yellow");
  await page.getByLabel("Mains").selectOption({ label: "120 V, line and neutral" });
  await expect(wires).toContainText(/NEC table 400.5/);
  await expect(wires.getByRole("cell", { name: "white" }).first()).toBeVisible();
  await expect(page.getByRole("img", { name: /^Wiring as a ladder: 120 V/ })).toBeVisible();
  const feed = wires.getByRole("row").filter({ hasText: "unit, contact for heat, in" }).getByRole("button");
  await feed.click();
  await expect(feed).toHaveAttribute("aria-pressed", "true");
  // A wire that is laid is ticked, and stays so.
  await page.getByRole("checkbox", { name: "Wire 1 is laid" }).check();
  await expect(wires).toContainText("1 of");
  // What protects a part lets no more through than the part is made for.
  await fill(page, "A fuse of its own", "0");
  await expect(says(page)).toContainText("is made for 10 A, and what protects it lets 15 A through");
  await stored(page);
  await page.reload();
  await trialDone(page);
  await expect(page.getByRole("checkbox", { name: "Wire 1 is laid" })).toBeChecked();
  await expect(page.getByRole("textbox", { name: "A fuse of its own" })).toHaveValue("0");
});

for (const [name, size] of [
  ["upright", { width: 390, height: 844 }],
  ["on its side", { width: 844, height: 390 }],
] as const)
  test(`a fault is found dead on a phone ${name}, by keyboard; its danger is the first word`, async ({ page }) => {
    await page.setViewportSize(size);
    await wiredMyself(page);
    await page.getByText("Proof by meter", { exact: true }).focus();
    await page.keyboard.press("Enter");
    await expect(result(page)).toContainText("No reading yet.");
    // Before the meter was tried nothing can be read.
    await expect(page.getByRole("button", { name: /^It beeps/ }).first()).toBeDisabled();
    const meter = page.getByRole("checkbox", { name: /^The meter works/ });
    await meter.focus();
    await page.keyboard.press("Space");
    await expect(meter).toBeChecked();
    const dead = page.getByRole("region", { name: "Dead proof" });
    const row = dead.getByRole("listitem").filter({ hasText: /A2 plug, neutral ↔ .* earth/ });
    await row.getByRole("button", { name: /^It beeps/ }).focus();
    await page.keyboard.press("Enter");
    await expect(result(page)).toHaveText(/^Stop\. Leave the plug pulled\. Metal may be live\./);
    // The same words stand where the eye is.
    await expect(row).toContainText("Stop. Leave the plug pulled. Metal may be live.");
    await expect(row.getByText(/^Stop\./)).toBeInViewport();
    await expect(result(page)).toContainText("Next, still dead");
    await expect(page.getByRole("region", { name: "Live proof" })).toContainText("None while anything is wrong");
    // Read wrongly: the reading alone goes.
    await page.getByRole("button", { name: /^I read it wrongly/ }).focus();
    await page.keyboard.press("Enter");
    await expect(result(page)).not.toContainText("Stop.");
    // Mended: all of it goes, and the meter is tried again.
    await row.getByRole("button", { name: /^It beeps/ }).click();
    await page.getByRole("button", { name: /^I have mended it/ }).click();
    await expect(result(page)).toContainText("No reading yet.");
    await expect(meter).not.toBeChecked();
  });

test("nothing live before every dead test is right and the residual-current device tripped; a change voids all of it", async ({
  page,
}) => {
  test.slow();
  await wiredMyself(page);
  await openProof(page);
  const live = page.getByRole("region", { name: "Live proof" });
  await expect(live).toContainText("when every dead test is done and right");
  await readSound(page, "Dead proof");
  await expect(page.getByRole("region", { name: "Under a lamp" })).toBeHidden();
  await expect(live).toContainText("Find out first");
  await live.getByLabel(/^Residual-current protection/).selectOption({ label: "None" });
  await expect(live).toContainText("No live test without one");
  await live.getByLabel(/^Residual-current protection/).selectOption({ label: "Yes, 30 mA (RCD)" });
  await live.getByRole("checkbox", { name: /tripped/ }).check();
  const lamp = page.getByRole("region", { name: "Under a lamp" });
  await expect(lamp).toBeVisible();
  // Readings are kept over a reload; 0 V is a reading.
  await stored(page);
  await page.reload();
  await trialDone(page);
  await page.getByText("Proof by meter", { exact: true }).click();
  await expect(lamp).toBeVisible();
  await readSound(page, "Under a lamp");
  await expect(result(page)).toContainText("none of the dangerous faults looked at is left");
  await expect(result(page)).toContainText("no proof that it is safe");
  // Under voltage the words are others, and no further live test is offered.
  const idle = lamp.getByRole("listitem").filter({ hasText: "nothing called, lamp in the heat outlet" });
  await idle.getByRole("textbox").fill("230");
  await idle.getByRole("textbox").press("Enter");
  await expect(result(page)).toHaveText(/^Stop\. Pull the plug\./);
  await expect(lamp).toBeHidden();
  await page.getByRole("button", { name: /^I read it wrongly/ }).click();
  await expect(lamp).toBeVisible();
  // What is no number is refused in words, and stays.
  await idle.getByRole("textbox").fill("lots");
  await idle.getByRole("textbox").press("Enter");
  await expect(idle.getByRole("alert")).toBeVisible();
  await expect(idle.getByRole("textbox")).toHaveValue("lots");
  await idle.getByRole("textbox").press("Escape");
  await page.getByRole("checkbox", { name: "The enclosure is of metal" }).check();
  await expect(result(page)).toContainText("No reading yet.");
  await page.getByRole("checkbox", { name: "The enclosure is of metal" }).uncheck();
  await expect(result(page)).toContainText("No reading yet.");
});

test("the enclosure, the steps of the work with a photo, and every number of the screen on paper", async ({ page }) => {
  await wiredMyself(page);
  await page.getByLabel("Where the relays are").selectOption({ label: "Outside, driven by it" });
  const drawing = page.getByRole("img", { name: /^Inside of the enclosure, .* Relay, heat/ });
  await expect(drawing).toBeVisible();
  await page.getByText("Order of the work, photo, holes").click();
  const look = page.getByRole("checkbox", { name: /^Stop: have it looked at/ });
  await look.check();
  // A picture of 2 by 2, drawn by the page itself.
  const picture = await page.evaluate(() => {
    const canvas = document.createElement("canvas");
    canvas.width = canvas.height = 2;
    return canvas.toDataURL("image/png").split(",")[1]!;
  });
  const photo = page.getByLabel("Keep a photo");
  await photo.setInputFiles({ name: "note.txt", mimeType: "text/plain", buffer: Buffer.from("no picture") });
  await expect(page.getByRole("region", { name: "Photo of the finished wiring" }).getByRole("alert")).toContainText(
    "no picture",
  );
  await photo.setInputFiles({ name: "p.png", mimeType: "image/png", buffer: Buffer.from(picture, "base64") });
  await expect(page.getByRole("img", { name: "The finished wiring" })).toBeVisible();
  await stored(page);
  await page.reload();
  await trialDone(page);
  await page.getByText("Order of the work, photo, holes").click();
  await expect(look).toBeChecked();
  await expect(page.getByRole("img", { name: "The finished wiring" })).toBeVisible();
  await openProof(page);
  const rows = page.getByRole("region", { name: "Dead proof" }).getByRole("listitem");
  const tests = (await rows.allInnerTexts()).map((t) => /\d+\. (.*?) →/.exec(t.replace(/\s+/g, " "))![1]!);
  const wires = await page.getByRole("region", { name: "Conductors" }).getByRole("row").allInnerTexts();
  await page.getByRole("link", { name: "All of it on paper" }).click();
  await expect(page.getByRole("heading", { name: "Labels, to stick on" })).toBeVisible();
  await expect(page.getByRole("region", { name: "Dead proof" })).toContainText("has to beep");
  const text = await pdfText(await page.pdf());
  const flat = (t: string) => t.replace(/\s+/g, "");
  // Every wire with its number and both its ends, every dead test, what stops, what is proved again, no hole.
  for (const row of wires.slice(1)) {
    const cells = row.split("\t").map((c) => c.trim());
    const [number, from, to] = cells.filter((c) => c !== "");
    expect(flat(text)).toContain(flat(`${number}${from}${to}`));
  }
  for (const t of tests) expect(flat(text)).toContain(flat(t));
  for (const words of ["Stop. Leave the plug pulled.", "What must be proved again", "Where no hole goes", "Warning:"])
    expect(flat(text)).toContain(flat(words));
  // The live proof is behind the dead one.
  expect(flat(text).lastIndexOf("Liveproof")).toBeGreaterThan(flat(text).indexOf(flat(tests[tests.length - 1]!)));
});

/** The words of a printed page, in the order in which they stand. */
async function pdfText(pdf: Buffer): Promise<string> {
  const document = await getDocument({ data: new Uint8Array(pdf) }).promise;
  const pages = await Promise.all(
    Array.from({ length: document.numPages }, async (_, i) => (await document.getPage(i + 1)).getTextContent()),
  );
  return pages.flatMap((p) => p.items.map((item) => ("str" in item ? item.str : ""))).join(" ");
}

test("two cords with contactors, names from the unit's paper, and what one fault would do", async ({ page }) => {
  await wiredMyself(page);
  await page.getByRole("checkbox", { name: /^What cools has a cord of its own/ }).check();
  await expect(says(page)).toContainText("Two cords feed it");
  await expect(page.getByRole("img", { name: /^Wiring as a ladder: .*, two cords/ })).toBeVisible();
  await page.getByLabel("Relays", { exact: true }).selectOption({ label: "Contactor, two poles" });
  const wires = page.getByRole("region", { name: "Conductors" });
  await expect(wires).toContainText("coil of the contactor for heat");
  // The unit's own paper calls it otherwise: so does the list from then on, and after a reload.
  await page.getByText(/^Terminals as your unit/).click();
  await page.getByRole("textbox", { name: /unit, contact for heat, out/ }).fill("K1 14");
  await page.keyboard.press("Enter");
  await expect(wires).toContainText("unit, K1 14");
  await page.getByText("What one fault would do", { exact: true }).click();
  const dangerous = page.getByRole("region", { name: "Dangerous" });
  await expect(dangerous).toContainText("A2 plug, neutral and B2 second plug, neutral touch.");
  await expect(dangerous).toContainText("a pin of its plug is live");
  // A conductor of the drawing that is clicked is marked in the list.
  const drive = page.locator('svg[aria-label^="Wiring as a ladder"] [data-wire="unit.heat-out>heat-relay.coil1"]');
  await drive.evaluate((el) => el.scrollIntoView({ block: "center" }));
  const at = (await drive.boundingBox())!;
  await page.mouse.click(at.x + at.width / 2, at.y + at.height / 2);
  await expect(wires.getByRole("row").filter({ hasText: "unit, K1 14" }).getByRole("button")).toHaveAttribute(
    "aria-pressed",
    "true",
  );
  await page.getByText("Proof by meter", { exact: true }).click();
  await expect(page.getByRole("region", { name: "Before the first test" })).toContainText("Both plugs pulled");
  await stored(page);
  await page.reload();
  await trialDone(page);
  await expect(wires).toContainText("unit, K1 14");
  await page.getByLabel("How it is fed").selectOption({ label: "Fixed, clipped to a wall" });
  await expect(wires).toContainText("IEC 60364-5-52 table B.52.2, method C");
});
