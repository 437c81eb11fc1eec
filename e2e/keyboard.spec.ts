import type { Page } from "@playwright/test";
import { expect, openDemo, test, trialDone } from "./fixtures";

/** Presses Tab until the element with this name has the focus. */
async function tabTo(page: Page, name: RegExp, most = 90): Promise<void> {
  for (let i = 0; i < most; i++) {
    await page.keyboard.press("Tab");
    const label = await page.evaluate(() => {
      const e = document.activeElement as HTMLElement | null;
      const by = e?.id ? document.querySelector(`label[for="${e.id}"]`)?.textContent : "";
      const own = e instanceof HTMLInputElement ? (e.closest("label")?.textContent ?? "") : (e?.textContent ?? "");
      return e?.getAttribute("aria-label") ?? (by || own);
    });
    if (name.test(label.trim())) return;
  }
  throw new Error(`Tab never reached ${String(name)}`);
}

test("from an empty profile to a changed setpoint, a kept remedy and the card, by keyboard alone", async ({ page }) => {
  await page.goto("/");
  await expect(page.getByRole("heading", { name: "The shelf is empty" })).toBeVisible();
  await tabTo(page, /^New chamber/);
  await page.keyboard.press("Enter");
  await expect(page.getByRole("heading", { level: 1, name: "New chamber" })).toBeVisible();
  await tabTo(page, /^Ale/);
  for (let i = 0; i < 3; i++) await page.keyboard.press("ArrowRight");
  await expect(page.getByRole("radio", { name: /^Wine/ })).toBeChecked();
  await tabTo(page, /^Height$/);
  await page.keyboard.type("160");
  await tabTo(page, /^Coldest$/);
  await page.keyboard.press("ArrowDown");
  await tabTo(page, /^Put it on the shelf/);
  await page.keyboard.press("Enter");
  await trialDone(page);

  await page.keyboard.press("6");
  await tabTo(page, /^Setpoint$/);
  const setpoint = page.getByRole("textbox", { name: "Setpoint", exact: true });
  const before = await setpoint.inputValue();
  await page.keyboard.press("ArrowUp");
  await expect(setpoint).toHaveValue((Number(before) + 0.1).toFixed(1));
  await page.keyboard.press("Control+z");
  await expect(setpoint).toHaveValue(before);

  await page.keyboard.press("Escape");
  await page.keyboard.press("5");
  await page.getByRole("radio", { name: /Strapped to the vessel/ }).focus();
  for (let i = 0; i < 2; i++) await page.keyboard.press("ArrowUp");
  await expect(page.getByRole("radio", { name: /Hanging in the air/ })).toBeChecked();
  await trialDone(page);
  await expect(page.getByRole("button", { name: "Keep it" }).first()).toBeVisible();
  await tabTo(page, /^Keep it$/);
  await page.keyboard.press("Enter");
  await expect(page.getByRole("radio", { name: /Strapped to the vessel/ })).toBeChecked();

  await page.keyboard.press("?");
  await expect(page.getByRole("dialog", { name: "Shortcuts" })).toBeVisible();
  await page.keyboard.press("Escape");
  await expect(page.getByRole("dialog", { name: "Shortcuts" })).toBeHidden();
  await page.keyboard.press("t");
  await expect(page.getByRole("dialog", { name: "Trial" })).toBeVisible();
  await page.keyboard.press("Escape");
  await tabTo(page, /^Card$/);
  await page.keyboard.press("Enter");
  await expect(page.getByRole("heading", { name: "Card for the door" })).toBeVisible();
});

test("single keys can be switched off", async ({ page }) => {
  await page.goto("/demo");
  await page.goto("/preferences");
  await page.getByRole("group", { name: "Shortcuts of a single key" }).getByText("Off").click();
  await page.keyboard.press("?");
  await expect(page.getByRole("dialog")).toHaveCount(0);
});

/** What has the focus, in a word; the body has none. */
const focused = (page: Page) =>
  page.evaluate(() => {
    const e = document.activeElement;
    return !e || e === document.body
      ? "nothing"
      : (e.getAttribute("aria-label") ?? e.textContent ?? "").trim().slice(0, 60);
  });

test("the keyboard never loses its place", async ({ page }) => {
  await openDemo(page, "job");
  const keeps = async (what: string) => {
    await trialDone(page);
    await expect.poll(() => focused(page), { message: what, timeout: 2000 }).not.toBe("nothing");
  };
  await test.step("on to the next station by its key: the focus is at what is asked there", async () => {
    // Box and heat have been found right already: what is next is the wiring.
    await page.getByRole("button", { name: "This is right: on to Wiring" }).focus();
    await page.keyboard.press("Enter");
    await expect(page.getByRole("heading", { level: 2, name: /How are heat and cold switched/ })).toBeFocused();
    await page.keyboard.press("2");
    await expect(page.getByRole("heading", { level: 2, name: /In what box/ })).toBeFocused();
  });
  await test.step("a key that vanishes with its press", async () => {
    await page.keyboard.press("1");
    await page.getByRole("button", { name: /^Coldest allowed: back to default/ }).focus();
    await page.keyboard.press("Enter");
    await keeps("default");
    await page.keyboard.press("6");
    await page.getByRole("button", { name: "Another unit" }).focus();
    await page.keyboard.press("Enter");
    await keeps("another unit");
    await page
      .getByRole("button", { name: /^Take .* out|^Remove/ })
      .first()
      .focus();
    await page.keyboard.press("Enter");
    await keeps("unit out");
    await page.keyboard.press("5");
    await page.getByRole("button", { name: "Keep it" }).first().focus();
    await page.keyboard.press("Enter");
    await keeps("remedy");
  });
  await test.step("undo until there is nothing left, then redo", async () => {
    for (let i = 0; i < 12; i++) {
      const undo = page.getByRole("button", { name: /^Undo: / });
      if ((await undo.count()) === 0) break;
      await undo.focus();
      await page.keyboard.press("Enter");
      await keeps("undo");
    }
    await expect(page.getByRole("button", { name: "Nothing to undo" })).toBeDisabled();
  });
  await test.step("the full trial keeps the focus in, Back closes it and gives the focus back", async () => {
    const open = page.getByRole("button", { name: "Trial on the whole screen" });
    await open.focus();
    await page.keyboard.press("Enter");
    await expect(page.getByRole("dialog", { name: "Trial" })).toBeFocused();
    for (let i = 0; i < 60; i++) {
      await page.keyboard.press("Tab");
      const inside = await page.evaluate(
        () => document.activeElement === document.body || document.activeElement?.closest("[aria-modal=true]") !== null,
      );
      expect(inside).toBe(true);
    }
    await page.goBack();
    await expect(page.getByRole("dialog", { name: "Trial" })).toHaveCount(0);
    await expect(open).toBeFocused();
    await expect(page).toHaveTitle("Larder cabinet, rye saison: Probe · Gentle Crock");
  });
});

test("one key past path and ruler; the ruler is one stop, with the arrows inside", async ({ page }) => {
  await openDemo(page, "job");
  await page.keyboard.press("Tab");
  await expect(page.getByRole("link", { name: "Past path and ruler, to the station" })).toBeFocused();
  await page.keyboard.press("Enter");
  await expect(page.getByRole("heading", { level: 2, name: /What is in it/ })).toBeFocused();
  await page.keyboard.press("Shift+Tab");
  const setpoint = page.getByRole("slider", { name: "Setpoint" });
  await expect(setpoint).toBeFocused();
  await page.keyboard.press("ArrowRight");
  await expect(page.getByRole("slider", { name: "Cold comes on" })).toBeFocused();
  await page.keyboard.press("ArrowLeft");
  await page.keyboard.press("ArrowDown");
  await expect(setpoint).toContainText("23.7");
  await expect(setpoint).toHaveAttribute("aria-valuemin", /\d/);
  await expect(setpoint).toHaveAttribute("aria-valuemax", /\d/);
  await page.keyboard.press("End");
  await trialDone(page);
  await expect(setpoint).not.toContainText("23.7");
  await page.keyboard.press("Shift+Tab");
  expect(await page.evaluate(() => document.activeElement?.closest("aside"))).toBeNull();
});

test("a chamber that is made begins at its answer", async ({ page }) => {
  await page.goto("/new");
  await page.getByRole("button", { name: "Put it on the shelf and open it" }).focus();
  await page.keyboard.press("Enter");
  await expect(page.getByRole("heading", { level: 2, name: /What do you key into/ })).toBeFocused();
});
