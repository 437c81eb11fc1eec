import { newChamber } from "../core/chamber";
import { expect, fill, makeChamber, openDemo, stored, test, trialDone } from "./fixtures";

const NOW = "2026-11-01T10:00:00.000Z";
/** What no page may say. */
const NONE = /NaN|Infinity|undefined|\[object/;

const backupOf = (...names: string[]) => ({
  name: `${names.join("-")}.json`,
  mimeType: "application/json",
  buffer: Buffer.from(
    JSON.stringify({
      format: "gentle-crock-workshop",
      version: 3,
      exportedAt: NOW,
      records: names.map((name) => ({ ...newChamber(name.toLowerCase(), name, NOW), demo: false })),
    }),
  ),
});

test("a trial that cannot be run: the bench shows its fields, also after a reload, and what did it is taken back", async ({
  page,
}) => {
  await openDemo(page);
  await page.goto("/bench?c=demo-picnic-box&at=heat");
  await trialDone(page);
  const panel = page.locator("section[aria-label='Trial']");
  await fill(page, "Heater", "5000");
  const said = panel.getByRole("alert");
  await expect(said).toContainText("outside of what can be computed here");
  await expect(page.getByRole("textbox", { name: "Heater", exact: true })).toHaveValue("5000");
  await stored(page);
  await page.reload();
  await expect(said).toContainText("outside of what can be computed here");
  for (const station of ["1", "2", "4", "5", "6", "3"]) {
    await page.keyboard.press(station);
    await expect(page.getByRole("heading", { level: 2 }).first()).toBeVisible();
    await expect(page.getByText(/Something broke|This cannot be shown/)).toHaveCount(0);
  }
  // As open water of any size, which once sent the air to no temperature at all.
  await fill(page, "Heater", "40");
  await trialDone(page);
  await expect(said).toHaveCount(0);
});

test("500 jars of a quarter of a litre are judged, and by how many find a place", async ({ page }) => {
  await makeChamber(page, "Jars", "Honey, warmed");
  await fill(page, "Volume", "0.25");
  await fill(page, "How many alike", "500");
  await trialDone(page);
  await stored(page);
  await page.goto(page.url().replace("at=job", "at=box"));
  await trialDone(page);
  await page.getByText("Does it fit?").click();
  await expect(page.getByText(/of 500 find a place in rows/)).toBeVisible();
});

test("stages that end by hand, an end before the start, and what goes in after the trial are told without a number that is none", async ({
  page,
}) => {
  await openDemo(page, "job");
  await page.getByRole("button", { name: /Another stage after it/ }).click();
  await trialDone(page);
  await page.getByRole("button", { name: "Trial on the whole screen" }).click();
  await expect(page.locator("body")).not.toContainText(NONE);
  await page.getByRole("button", { name: "Close the full trial" }).click();
  await page.getByRole("button", { name: "Something else stands in it too" }).click();
  await trialDone(page);
  await fill(page, "Put in after", "9 d");
  await trialDone(page);
  await page.getByRole("button", { name: "Trial on the whole screen" }).click();
  await expect(page.locator("body")).not.toContainText(NONE);
});

test("site data cleared while three chambers stand open: all of them are offered back, and are there after a reload", async ({
  context,
  page,
  baseURL,
}) => {
  for (const name of ["Upper", "Middle", "Lower"]) await makeChamber(page, name);
  const session = await context.newCDPSession(page);
  await session.send("Storage.clearDataForOrigin", { origin: baseURL!, storageTypes: "indexeddb,local_storage" });
  await fill(page, "Start temperature", "17.5");
  const lost = page.getByRole("alert").filter({ hasText: "no longer stored" });
  await expect(lost).toContainText("Upper");
  await expect(lost).toContainText("Middle");
  await expect(page.getByText("Not stored: answer above first").filter({ visible: true })).toBeVisible();
  await lost.getByRole("button", { name: "Store it all again" }).click();
  await stored(page);
  await page.goto("/");
  for (const name of ["Upper", "Middle", "Lower"])
    await expect(page.getByRole("heading", { name, exact: true })).toBeVisible();
  await page.getByRole("link", { name: "Open Lower" }).click();
  await trialDone(page);
  await page.keyboard.press("1");
  await expect(page.getByRole("textbox", { name: "Start temperature" })).toHaveValue("17.5");
});

test("the undo of a restore takes back that restore, and is gone once something else came after it", async ({
  page,
}) => {
  await page.goto("/preferences");
  const look = page.getByLabel("Look into a backup");
  await look.setInputFiles(backupOf("Alder"));
  await page.getByRole("button", { name: "Bring the chambers in" }).click();
  await expect(page.getByText("One chamber is back.")).toBeVisible();
  await look.setInputFiles(backupOf("Birch"));
  await page.getByRole("button", { name: "Bring the chambers in" }).click();
  await expect(page.getByText("One chamber is back.")).toBeVisible();
  const undo = page.locator("#backup").getByRole("button", { name: "Undo", exact: true });
  await expect(undo).toBeVisible();
  await page.keyboard.press("Control+z");
  // Birch is gone again; what stands there would take Alder.
  await expect(undo).toHaveCount(0);
  await page.goto("/");
  await expect(page.getByRole("heading", { name: "Alder" })).toBeVisible();
  await expect(page.getByRole("heading", { name: "Birch" })).toHaveCount(0);
});

test("fifty buckets have other ways to do the same, and what cannot be built says why", async ({ page }) => {
  await makeChamber(page, "Many");
  await fill(page, "How many alike", "50");
  await stored(page);
  await page.goto(page.url().replace("at=job", "at=heat"));
  await trialDone(page);
  await page.getByText("Other ways to do the same").click();
  const beside = page.getByRole("region", { name: "Other ways to do the same" });
  await expect(beside).toContainText(/Box of foam, made to fit: not looked at\. A side of it would be longer than 3/);
});

test("a foam box of any size has its panels and its other walls", async ({ page }) => {
  await openDemo(page);
  await page.goto("/bench?c=demo-picnic-box&at=box");
  await trialDone(page);
  for (const side of ["300", "30"]) {
    for (const name of ["Width", "Height", "Depth"]) await fill(page, name, side);
    const fold = page.locator("[data-part=foam]");
    if ((await fold.getAttribute("open")) === null) await fold.locator("summary").click();
    await expect(page.getByRole("region", { name: "Make it of foam" })).toBeVisible();
    await expect(page.getByText(/Something broke|This cannot be shown/)).toHaveCount(0);
  }
});

test("of three tabs one leaves: the two others still know of each other", async ({ context, page }) => {
  await openDemo(page);
  const [second, third] = [await context.newPage(), await context.newPage()];
  await second.goto("/");
  await third.goto("/");
  await expect(second.getByText("open in another tab too")).toBeVisible();
  await third.close();
  await expect(second.getByText("open in another tab too")).toBeVisible();
  await expect(page.getByText("open in another tab too")).toBeVisible();
});
