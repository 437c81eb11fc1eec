import { readFile } from "node:fs/promises";
import { newChamber } from "../core/chamber";
import { expect, fill, makeChamber, openDemo, stored, test, trialDone } from "./fixtures";

const NOW = "2026-11-01T10:00:00.000Z";

test("the latest acknowledged state survives a killed page", async ({ context, page }) => {
  await openDemo(page);
  await fill(page, "Setpoint", "24.1");
  await stored(page);
  await fill(page, "Setpoint", "24.3");
  await stored(page);
  const session = await context.newCDPSession(page);
  // The page dies in the middle of the next edit; the crash itself answers nobody.
  await page.getByRole("textbox", { name: "Setpoint", exact: true }).pressSequentially("2");
  session.send("Page.crash").catch(() => undefined);
  await page.waitForEvent("crash");
  const again = await context.newPage();
  await again.goto("/bench?c=demo-larder-cabinet&at=settings");
  await expect(again.getByRole("textbox", { name: "Setpoint", exact: true })).toHaveValue("24.3");
});

test("a second tab is noticed, follows, and never overwrites silently", async ({ context, page }) => {
  await openDemo(page);
  const other = await context.newPage();
  await other.goto("/bench?c=demo-larder-cabinet&at=settings");
  await expect(page.getByText("open in another tab too")).toBeVisible();
  await expect(other.getByText("open in another tab too")).toBeVisible();
  await fill(other, "Setpoint", "24.4");
  await expect(page.getByRole("textbox", { name: "Setpoint", exact: true })).toHaveValue("24.4");

  // This tab stops hearing the other one: the stored revision alone has to give it away.
  await page.evaluate(() => {
    BroadcastChannel.prototype.postMessage = () => undefined;
  });
  await fill(page, "Setpoint", "24.6");
  await stored(page);
  // What does not touch the other's change is merged, on both sides, without a question.
  await fill(other, "Compressor delay", "7");
  await stored(other);
  await expect(other.getByRole("textbox", { name: "Setpoint", exact: true })).toHaveValue("24.6");
  await expect(page.getByRole("textbox", { name: "Compressor delay" })).toHaveValue("7");

  // The same value in both: asked about, whichever is taken.
  await fill(page, "Setpoint", "24.2");
  await stored(page);
  await fill(other, "Setpoint", "24.9");
  await expect(other.getByRole("alertdialog")).toContainText("was changed in another tab");
  await expect(other.getByText("Not stored: answer above first").filter({ visible: true })).toBeVisible();
  await other.getByRole("button", { name: "Take the other tab" }).click();
  await expect(other.getByRole("textbox", { name: "Setpoint", exact: true })).toHaveValue("24.2");

  await fill(page, "Setpoint", "24.3");
  await stored(page);
  await fill(other, "Setpoint", "24.8");
  await other.getByRole("button", { name: "Keep what is here" }).click();
  await stored(other);
  await other.reload();
  await expect(other.getByRole("textbox", { name: "Setpoint", exact: true })).toHaveValue("24.8");

  // What was typed and not taken over is there after a reload.
  await other.getByRole("textbox", { name: "Compressor delay" }).fill("9 min");
  await other.reload();
  await expect(other.getByRole("textbox", { name: "Compressor delay" })).toHaveValue("9 min");
  await other.getByRole("textbox", { name: "Compressor delay" }).press("Enter");
  await expect(page.getByRole("textbox", { name: "Compressor delay" })).toHaveValue("9");
});

test("the workshop goes to one file and comes back on an empty profile", async ({ browser, page }) => {
  await makeChamber(page, "Cellar ale");
  await fill(page, "Start temperature", "17.5");
  await stored(page);
  await page.goto("/preferences");
  const waiting = page.waitForEvent("download");
  await page.getByRole("button", { name: "Export the workshop" }).click();
  const path = await (await waiting).path();
  expect(await readFile(path, "utf8")).toContain('"gentle-crock-workshop"');

  const fresh = await browser.newContext({ locale: "en-GB" });
  const there = await fresh.newPage();
  await there.goto("/preferences");
  await there.getByLabel("Look into a backup").setInputFiles(path);
  const look = there.getByRole("region", { name: "What the backup holds" });
  await expect(look).toContainText("Cellar ale, new here");
  await look.getByRole("button", { name: /Replace the whole workshop/ }).click();
  await expect(there.getByText("One chamber is back.")).toBeVisible();
  await there.goto("/");
  await there.getByRole("link", { name: "Open Cellar ale" }).click();
  await trialDone(there);
  await there.keyboard.press("1");
  await expect(there.getByRole("textbox", { name: "Start temperature" })).toHaveValue("17.5");
  await fresh.close();
});

test("three hundred chambers are said to be back only once all of them are stored", async ({ context, page }) => {
  const records = Array.from({ length: 300 }, (_, i) => ({
    ...newChamber(`many-${i}`, `Number ${i}`, NOW),
    demo: false,
  }));
  const file = { format: "gentle-crock-workshop", version: 3, exportedAt: NOW, records };
  await page.goto("/preferences");
  await page.getByLabel("Look into a backup").setInputFiles({
    name: "many.json",
    mimeType: "application/json",
    buffer: Buffer.from(JSON.stringify(file)),
  });
  await page.getByRole("button", { name: "Bring the chambers in" }).click();
  await page.getByText("300 chambers are back.").waitFor({ timeout: 60_000 });
  // The page dies as the words stand.
  const session = await context.newCDPSession(page);
  session.send("Page.crash").catch(() => undefined);
  await page.waitForEvent("crash");
  const again = await context.newPage();
  await again.goto("/preferences");
  const kept = await again.evaluate(
    () =>
      new Promise<number>((resolve, reject) => {
        const asked = indexedDB.open("gentle-crock");
        asked.onerror = () => reject(new Error("the store does not open"));
        asked.onsuccess = () => {
          const keys = asked.result.transaction("workshop").objectStore("workshop").getAllKeys();
          keys.onsuccess = () => resolve(keys.result.filter((k) => String(k).startsWith("record:many-")).length);
        };
      }),
  );
  expect(kept).toBe(300);
});

test("a restore can be undone, and a damaged backup changes nothing", async ({ page }) => {
  await openDemo(page);
  await page.goto("/preferences");
  const input = page.getByLabel("Look into a backup");
  await input.setInputFiles({
    name: "torn.json",
    mimeType: "application/json",
    buffer: Buffer.from('{"format":"gentle-cro'),
  });
  await expect(page.getByRole("main").getByRole("alert")).toContainText("torn.json: This file is damaged");

  const waiting = page.waitForEvent("download");
  await page.getByRole("button", { name: "Export the workshop" }).click();
  const text = await readFile(await (await waiting).path(), "utf8");
  const file = JSON.parse(text) as { records: { kind: string; name?: string; id: string; room?: unknown }[] };
  const chamber = file.records.find((r) => r.kind === "chamber")!;
  file.records.push(
    { ...chamber, id: "other", name: "Second cabinet" },
    { ...chamber, id: "broken", name: "Broken", room: 5 },
  );
  await input.setInputFiles({
    name: "mixed.json",
    mimeType: "application/json",
    buffer: Buffer.from(JSON.stringify(file)),
  });
  const look = page.getByRole("region", { name: "What the backup holds" });
  await expect(look).toContainText("Broken: left out (room");
  await expect(look).toContainText("Second cabinet, new here");
  await expect(look).toContainText("replaces the one");
  await look.getByRole("button", { name: "Bring the chambers in" }).click();
  await page.getByRole("button", { name: "Undo" }).click();
  await page.getByRole("link", { name: "Back to the Shelf" }).click();
  await expect(page.getByRole("heading", { name: "Larder cabinet, rye saison" })).toBeVisible();
  await expect(page.getByRole("heading", { name: "Second cabinet" })).toHaveCount(0);
});

test("a record that does not parse is set aside, reported and kept whole", async ({ page }) => {
  await openDemo(page);
  await stored(page);
  await page.evaluate(
    () =>
      new Promise<void>((resolve, reject) => {
        const open = indexedDB.open("gentle-crock");
        open.onerror = () => reject(new Error("no database"));
        open.onsuccess = () => {
          const put = open.result.transaction("workshop", "readwrite").objectStore("workshop");
          put.put({ kind: "chamber", id: "odd", name: "Odd one" }, "record:odd");
          put.transaction.oncomplete = () => resolve();
        };
      }),
  );
  await page.goto("/");
  await expect(page.getByText("One record could not be read and was set aside")).toBeVisible();
  await page.getByRole("link", { name: "See what it is" }).click();
  const waiting = page.waitForEvent("download");
  await page.getByRole("button", { name: "Save it as a file" }).click();
  expect(await readFile(await (await waiting).path(), "utf8")).toContain("Odd one");
  await page.reload();
  await expect(page.getByRole("heading", { name: "Set aside" })).toBeVisible();
  await page.getByRole("button", { name: "Throw it away for good" }).click();
  await expect(page.getByRole("heading", { name: "Set aside" })).toBeHidden();
});

test("removing and bringing back the demo leaves one's own chamber alone", async ({ page }) => {
  await makeChamber(page, "My own");
  await page.goto("/preferences");
  await page.getByRole("button", { name: "Bring the demo back" }).click();
  await page.getByRole("button", { name: "Remove the demo" }).click();
  await page.getByRole("link", { name: "Back to the Shelf" }).click();
  await expect(page.getByRole("heading", { name: "My own" })).toBeVisible();
  await expect(page.getByRole("heading", { name: "Larder cabinet, rye saison" })).toHaveCount(0);
});
