import { readFileSync } from "node:fs";
import { expect, stored, test } from "./fixtures";

test.beforeEach(async ({ page }) => {
  await page.goto("/demo");
  await expect(page.getByRole("heading", { name: "Larder cabinet, rye saison" })).toBeVisible();
});

test("what hurts most stands first, once every trial is there", async ({ page }) => {
  await expect(page.getByText("Running its trial")).toHaveCount(0);
  const marks = await page.getByRole("list", { name: "Chambers" }).getByRole("listitem").allInnerTexts();
  const danger = marks.map((text) => /Serious/.test(text));
  expect(danger.indexOf(false)).toBeGreaterThan(0);
  expect(danger.slice(danger.indexOf(false))).not.toContain(true);
});

test("when it is ready is one answer: on the shelf, at the bench, and a trial run to its end keeps to it", async ({
  page,
}) => {
  const sausage = page.getByRole("listitem").filter({ hasText: "Curing cabinet, venison sausage" });
  const words = sausage.getByText(/^Ready after .* between .* and /);
  await expect(words).toBeVisible({ timeout: 60_000 });
  const said = (await words.innerText()).replace(/^R|\.$/g, (c) => (c === "R" ? "r" : ""));
  await sausage.getByRole("link", { name: /^Open/ }).click();
  const strip = page.locator("section[aria-label='Trial']");
  await expect(strip.getByText(said)).toBeVisible({ timeout: 30_000 });
  await page.getByRole("button", { name: "Run it to its end" }).click();
  await expect(page.getByRole("combobox", { name: "Length of the trial" })).toHaveValue("30");
  await expect(strip.getByText(/^not ready/)).toHaveCount(0);
  await expect(strip.getByText(said)).toBeVisible({ timeout: 30_000 });
});

test("a chamber is copied, renamed by keys, put into a file, and undone; nothing keeps the focus from the keys", async ({
  page,
}) => {
  await page.getByLabel("More about Curing cabinet, venison sausage").click();
  await page.getByRole("button", { name: "Make a copy" }).click();
  await expect(page.getByRole("heading", { name: "Hollin Mill" })).toBeVisible();
  const own = page.getByRole("list", { name: "Your chambers" });
  await expect(own.getByRole("heading", { name: "Curing cabinet, venison sausage, copy" })).toBeVisible();

  const menu = page.getByLabel("More about Curing cabinet, venison sausage, copy");
  await menu.focus();
  await page.keyboard.press("Enter");
  await page.keyboard.press("Tab");
  await page.keyboard.press("Enter");
  await page.keyboard.type("   ");
  await page.keyboard.press("Enter");
  await expect(page.getByRole("alert").filter({ hasText: "Give it a name." })).toBeVisible();
  await page.getByLabel(/^Name of Curing/).fill("Attic sausage");
  await page.keyboard.press("Enter");
  await expect(own.getByRole("heading", { name: "Attic sausage" })).toBeVisible();
  await expect(page.getByLabel("More about Attic sausage")).toBeFocused();
  await page.keyboard.press("Enter");
  await page.keyboard.press("Escape");
  await expect(page.getByRole("button", { name: "Make a copy" })).toBeHidden();

  await page.getByLabel("More about Attic sausage").click();
  const [file] = await Promise.all([
    page.waitForEvent("download"),
    page.getByRole("button", { name: "Put it into a file" }).click(),
  ]);
  expect(file.suggestedFilename()).toMatch(/^attic-sausage-\d{4}-\d\d-\d\d\.json$/);
  const { records } = JSON.parse(readFileSync(await file.path(), "utf8")) as { records: { name: string }[] };
  expect(records.map((r) => r.name)).toEqual(["Attic sausage"]);

  await page.getByRole("button", { name: /^Remove Attic sausage/ }).click();
  await expect(own).toBeHidden();
  await page.getByRole("button", { name: "Undo: remove Attic sausage" }).click();
  await expect(own.getByRole("heading", { name: "Attic sausage" })).toBeVisible();
  await stored(page);
  await page.reload();
  await expect(own.getByRole("heading", { name: "Attic sausage" })).toBeVisible();
});

test("among many one looks for a chamber by its words", async ({ page }) => {
  const search = page.getByRole("searchbox", { name: "Look for a chamber" });
  await expect(search).toHaveCount(0);
  for (let i = 0; i < 2; i++) {
    await page.getByLabel("More about Larder cabinet, rye saison", { exact: true }).click();
    await page.getByRole("button", { name: "Make a copy" }).click();
  }
  await search.fill("saison larder");
  await expect(page.getByRole("heading", { name: /^Larder cabinet/ })).toHaveCount(3);
  await expect(page.getByRole("heading", { name: /^Kettle/ })).toHaveCount(0);
  await search.fill("zeppelin");
  await expect(page.getByRole("status").filter({ hasText: "zeppelin" })).toBeVisible();
});

test("a chamber is put by and taken out again; what was done can be undone after a reload", async ({ page }) => {
  await page.getByLabel("More about Stockpot bath, duck legs").click();
  await page.getByRole("button", { name: "Put it by, out of the way" }).click();
  const list = page.getByRole("list", { name: "Chambers", exact: true });
  await expect(list.getByRole("heading", { name: "Stockpot bath, duck legs" })).toHaveCount(0);
  await stored(page);
  await page.reload();
  await expect(list.getByRole("heading", { name: "Larder cabinet, rye saison" })).toBeVisible();
  await expect(list.getByRole("heading", { name: "Stockpot bath, duck legs" })).toHaveCount(0);
  await page.getByRole("button", { name: "Undo: put by Stockpot bath, duck legs" }).click();
  await expect(list.getByRole("heading", { name: "Stockpot bath, duck legs" })).toBeVisible();
  await page.keyboard.press("Control+y");
  await page.getByText("Put by: one chamber").click();
  await page.getByRole("button", { name: "Back on the shelf" }).click();
  await expect(list.getByRole("heading", { name: "Stockpot bath, duck legs" })).toBeVisible();
  await expect(page.getByText("Put by: one chamber")).toHaveCount(0);
});

test("chambers are compared: settings, figures and lines on one axis, up to four, by their address", async ({
  page,
}) => {
  await page.getByRole("link", { name: "Compare chambers" }).click();
  const table = page.getByRole("group", { name: "Settings and figures side by side" });
  await expect(table.getByRole("columnheader")).toHaveCount(2);
  await page.getByRole("checkbox", { name: "Larder cabinet, rye saison" }).check();
  await page.getByRole("checkbox", { name: "Picnic box, black-bean and barley tempeh" }).check();
  await expect(table.getByRole("columnheader")).toHaveCount(4);
  await expect(page.getByRole("checkbox", { name: "Stockpot bath, duck legs" })).toBeDisabled();
  await expect(page.getByRole("img", { name: /^What is judged in 1, .*; 4, .*, on one axis$/ })).toBeVisible();
  await page.getByRole("checkbox", { name: "Brick smokehouse, trout" }).uncheck();
  await expect(table.getByRole("columnheader")).toHaveCount(3);
  const setpoints = await table
    .getByRole("row", { name: /^Setpoint/ })
    .getByRole("cell")
    .allInnerTexts();
  await page.reload();
  await expect(table.getByRole("columnheader")).toHaveCount(3);
  expect(
    await table
      .getByRole("row", { name: /^Setpoint/ })
      .getByRole("cell")
      .allInnerTexts(),
  ).toEqual(setpoints);
  // The same number as at its own bench.
  await table.getByRole("link", { name: "Larder cabinet, rye saison" }).click();
  const own = await page.getByRole("textbox", { name: "Setpoint", exact: true }).inputValue();
  expect(setpoints.join(" ")).toContain(own);
});
