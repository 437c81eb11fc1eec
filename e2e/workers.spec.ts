import { expect, fill, openDemo, test, trialDone } from "./fixtures";

declare global {
  interface Window {
    /** The workers that the page has started, and whether they are cut off from it. */
    crew: Worker[];
    deaf: boolean;
  }
}

test("a worker that dies is replaced: the page says it, goes on when asked, and loses nothing", async ({ page }) => {
  await page.addInitScript(() => {
    const Real = window.Worker;
    window.crew = [];
    window.deaf = false;
    window.Worker = class extends Real {
      constructor(url: string | URL, options?: WorkerOptions) {
        super(url, options);
        window.crew.push(this);
      }
      override postMessage(message: unknown, rest?: Transferable[] | StructuredSerializeOptions) {
        if (!window.deaf) super.postMessage(message, rest as StructuredSerializeOptions);
      }
    };
  });
  const die = (which: number) =>
    page.evaluate((w) => void window.crew[w]!.dispatchEvent(new ErrorEvent("error", { cancelable: true })), which);
  const setpoint = page.getByRole("textbox", { name: "Setpoint", exact: true });
  await openDemo(page);

  // At rest: the next edit starts another, and nobody notices.
  await die(0);
  await fill(page, "Setpoint", "24.1");
  await trialDone(page);
  await expect(page.getByText("could not be run")).toHaveCount(0);

  // In the middle of a trial: what was typed stays, and the page offers to go on.
  await page.evaluate(() => void (window.deaf = true));
  await fill(page, "Setpoint", "24.2");
  const panel = page.locator("section[aria-label='Trial']");
  await expect(panel).toHaveAttribute("data-busy", "true");
  const started = await page.evaluate(() => window.crew.length);
  for (let w = 0; w < started; w++) await die(w);
  const said = panel.getByRole("alert");
  await expect(said).toContainText("The trial could not be run: its worker ended");
  await expect(setpoint).toHaveValue("24.2");
  await page.evaluate(() => void (window.deaf = false));
  await said.getByRole("button", { name: "Run it again" }).click();
  await trialDone(page);
  await expect(said).toHaveCount(0);
  await expect(setpoint).toHaveValue("24.2");

  // Ended from outside, without a word: said at once, and not after a minute.
  await page.evaluate(() => window.crew.forEach((worker) => worker.terminate()));
  await fill(page, "Setpoint", "24.3");
  await expect(async () => {
    const again = said.getByRole("button", { name: "Run it again" });
    if (await again.isVisible()) await again.click();
    expect(await panel.getAttribute("data-busy")).toBe("false");
    expect(await said.count()).toBe(0);
  }).toPass({ timeout: 45_000 });
  await expect(setpoint).toHaveValue("24.3");
});
