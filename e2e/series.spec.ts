import type { Page } from "@playwright/test";
import { expect, makeChamber, stored, test, trialDone } from "./fixtures";

const picture = (page: Page) => page.getByRole("img", { name: /cellar\.csv, lowest and highest over/ });
const table = (rows: number) => ({
  name: "cellar.csv",
  mimeType: "text/csv",
  // Every ten seconds, with a cold night and a warm noon, and one peak that no drawing may lose.
  buffer: Buffer.from(
    [
      "h;°C",
      ...Array.from({ length: rows }, (_, i) =>
        [(i / 360).toFixed(5), i === 777 ? "31.5" : (12 + 6 * Math.sin(i / 1375)).toFixed(2)].join(";"),
      ),
    ].join("\n"),
  ),
});
const choose = (page: Page, rows: number) =>
  page.getByLabel("Table with times and temperatures").setInputFiles(table(rows));

test("a long record is read beside the page, drawn, run, kept over a reload and seen by a second tab", async ({
  page,
  context,
}) => {
  await makeChamber(page, "Cellar");
  await page.keyboard.press("2");
  await choose(page, 150_000);
  await expect(page.getByText(/150,000 readings over 17\sd\s9\sh/)).toBeVisible();
  await expect(page.getByText(/6\.0.*to 31\.5/)).toBeVisible();
  await expect(picture(page).locator("path")).toBeVisible();
  await trialDone(page);
  await stored(page);
  const all = await picture(page).locator("path").getAttribute("d");
  await page.getByText(/What the trial sees: 7\sd/).click();
  await expect(picture(page).locator("path")).not.toHaveAttribute("d", all!);
  await stored(page);
  await page.reload();
  await expect(picture(page).locator("path")).toHaveAttribute("d", all!);
  const other = await context.newPage();
  await other.goto(page.url());
  await expect(picture(other).locator("path")).toBeVisible();
  await trialDone(other);
  await other.close();
  // Away with it and back again: what lies beside the record is not lost by an undo.
  await page.getByRole("button", { name: "Back to the daily swing" }).click();
  await expect(picture(page)).toHaveCount(0);
  await page.keyboard.press("Escape");
  await page.keyboard.press("ControlOrMeta+z");
  await expect(picture(page).locator("path")).toHaveAttribute("d", all!);
  await trialDone(page);
});

test("a reading that is stopped leaves the daily swing", async ({ page }) => {
  await makeChamber(page, "Cellar");
  await page.keyboard.press("2");
  await choose(page, 300_000);
  await page.getByRole("region", { name: "Reading the table" }).getByRole("button", { name: "Stop" }).click();
  await expect(page.getByRole("button", { name: "Use a recorded room (CSV)" })).toBeVisible();
  await choose(page, 50);
  await expect(page.getByText(/50 readings over/)).toBeVisible();
  await expect(page.getByText(/behind the end of the record its last reading holds/)).toBeVisible();
});

test("a backup carries the readings of two chambers to another browser", async ({ page, browser, baseURL }) => {
  test.slow();
  for (const [name, rows] of [
    ["Upper cellar", 30_000],
    ["Lower cellar", 500],
  ] as const) {
    await makeChamber(page, name);
    await page.keyboard.press("2");
    await choose(page, rows);
    await expect(picture(page).locator("path")).toBeVisible();
    await stored(page);
  }
  await page.goto("/preferences");
  const download = page.waitForEvent("download");
  await page.getByRole("button", { name: "Export the workshop" }).click();
  const file = await download;
  expect(file.suggestedFilename()).toMatch(/^gentle-crock-.*\.zip$/);
  const path = await file.path();

  const elsewhere = await browser.newContext({ baseURL, serviceWorkers: "block" });
  const there = await elsewhere.newPage();
  await there.goto("/preferences");
  await there.getByLabel("Look into a backup").setInputFiles(path);
  await there.getByRole("button", { name: "Bring the chambers in" }).click();
  await expect(there.getByText("2 chambers are back.")).toBeVisible();
  await there.goto("/");
  await there.getByRole("link", { name: "Upper cellar" }).first().click();
  await trialDone(there);
  await there.keyboard.press("2");
  await expect(there.getByText(/30,000 readings/)).toBeVisible();
  await expect(picture(there).locator("path")).toBeVisible();
  await trialDone(there);
  // A damaged copy says what is wrong, and changes nothing.
  await there.goto("/preferences");
  await there
    .getByLabel("Look into a backup")
    .setInputFiles({ name: "half.zip", mimeType: "application/zip", buffer: Buffer.from("PK half of it") });
  await expect(there.getByRole("alert").filter({ hasText: "half.zip" })).toContainText(
    "no workshop backup, or is damaged",
  );
  await elsewhere.close();
});

test("a chamber whose readings are gone says so and what to do", async ({ page }) => {
  await makeChamber(page, "Cellar");
  await page.keyboard.press("2");
  await choose(page, 500);
  await expect(picture(page).locator("path")).toBeVisible();
  await stored(page);
  await page.evaluate(
    () =>
      new Promise<void>((resolve) => {
        const open = indexedDB.open("gentle-crock");
        open.onsuccess = () => {
          const transaction = open.result.transaction("series", "readwrite");
          transaction.objectStore("series").clear();
          transaction.oncomplete = () => {
            open.result.close();
            resolve();
          };
        };
      }),
  );
  await page.reload();
  await expect(
    page.getByText(/the readings of its recorded room, cellar\.csv, are not in this browser/).first(),
  ).toBeVisible();
  await page.getByRole("button", { name: /go back to the daily swing/ }).click();
  await trialDone(page);
  await expect(page.getByRole("button", { name: "Use a recorded room (CSV)" })).toBeVisible();
});
