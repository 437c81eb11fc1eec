import { expect, fill, makeChamber, openDemo, test, trialDone } from "./fixtures";

test("the best numbers: found, stopped, found again, a point of the picture tried and kept, taken back", async ({
  page,
}) => {
  await makeChamber(page, "Best");
  await page.keyboard.press("6");
  const part = page.getByRole("region", { name: "The best numbers" });
  await part.getByRole("button", { name: "Find the best numbers" }).click();
  await expect(part.getByRole("progressbar", { name: "Progress of the search" })).toBeVisible();
  await part.getByRole("button", { name: "Stop" }).click();
  await expect(part.getByRole("button", { name: "Find the best numbers" })).toBeVisible();
  await part.getByRole("button", { name: "Find the best numbers" }).click();
  await expect(part.getByRole("button", { name: "Search again" })).toBeVisible({ timeout: 60_000 });
  await expect(part.locator("[data-part='explanation']")).toHaveCount(2);
  await page.keyboard.press("5");
  await expect(part).toHaveCount(0);
  await page.keyboard.press("6");
  await expect(part.locator("[data-part='explanation']")).toHaveCount(2);
  const picture = part.getByRole("slider", { name: /Points of the trade-off/ });
  await expect(picture).toHaveAttribute(
    "aria-valuetext",
    /from the target at the most, \d+ starts of the (cooling|heater)/,
  );
  await picture.focus();
  const best = await picture.getAttribute("aria-valuetext");
  for (let i = 0; i < 25; i++) await page.keyboard.press("ArrowRight");
  await expect(picture).not.toHaveAttribute("aria-valuetext", best!);
  const before = await page.getByRole("textbox", { name: "Heating differential", exact: true }).inputValue();
  await part.getByRole("button", { name: "Try it" }).click();
  await expect(page.getByText("Nothing is stored yet")).toBeVisible();
  await part.getByRole("button", { name: "Keep it" }).click();
  await trialDone(page);
  await expect(page.getByText("Nothing is stored yet")).toHaveCount(0);
  await expect(page.getByRole("textbox", { name: "Heating differential", exact: true })).not.toHaveValue(before);
  await expect(part.getByText("Something has changed since this search.")).toBeVisible();
  await page.keyboard.press("Control+z");
  await expect(page.getByRole("textbox", { name: "Heating differential", exact: true })).toHaveValue(before);
});

test("a demand that cannot be met says what binds, and what would free it", async ({ page }) => {
  await openDemo(page);
  const part = page.getByRole("region", { name: "The best numbers" });
  await part.getByRole("button", { name: "Find the best numbers" }).click();
  await expect(part.getByRole("button", { name: "Search again" })).toBeVisible({ timeout: 60_000 });
  await expect(part.locator("[data-part='binding']")).toContainText("Nothing holds this band in every weather");
  await expect(part.getByText("Each was tried in all three rooms.", { exact: false })).toBeVisible();
  await part.getByRole("button", { name: /^Move the probe: strapped/ }).click();
  await trialDone(page);
  await part.getByRole("button", { name: "Search again" }).click();
  await expect(part.locator("[data-part='explanation']").first()).toContainText("stays within", { timeout: 60_000 });
});

test("a verdict of a device is tried, kept and undone", async ({ page }) => {
  await makeChamber(page, "Stays off");
  await page.keyboard.press("2");
  await fill(page, "Coldest", "2");
  await fill(page, "Warmest", "8");
  await page.keyboard.press("Escape");
  await page.locator("h2").first().click();
  await page.keyboard.press("3");
  const toggle = page.getByRole("checkbox", { name: "It stays off after its plug was pulled once" });
  await toggle.check();
  await trialDone(page);
  const verdict = page.locator("[data-verdict='heater-stays-off']");
  await expect(verdict).toBeVisible();
  await verdict.getByRole("button", { name: "Try it" }).first().click();
  await expect(page.getByText("Nothing is stored yet")).toBeVisible();
  await page.getByRole("button", { name: "Keep it" }).first().click();
  await expect(toggle).not.toBeChecked();
  await page.locator("h2").first().click();
  await page.keyboard.press("Control+z");
  await expect(toggle).toBeChecked();
});

test("the door for scripts over HTTP: answers, refuses with a reason, survives a crowd; its page shows worked calls", async ({
  page,
  request,
  baseURL,
}) => {
  const trial = await request.post("/api/v1/trial", { data: { chamber: {}, days: 2, bins: 48 } });
  expect(trial.status()).toBe(200);
  expect(trial.headers()["cache-control"]).toBe("no-store");
  expect(((await trial.json()) as { trace: { heat: number[] } }).trace.heat).toHaveLength(48);
  const wrong = await request.post("/api/v1/trial", { data: { chamber: {}, days: -1 } });
  expect(wrong.status()).toBe(422);
  expect(((await wrong.json()) as { problem: { field: string } }).problem.field).toBe("days");
  const half = await request.post("/api/v1/settings", {
    headers: { "Content-Type": "application/json" },
    data: Buffer.from("{"),
  });
  expect(half.status()).toBe(400);
  const huge = await request.post("/api/v1/settings", {
    headers: { "Content-Type": "application/json" },
    data: Buffer.from(`{"chamber":{},"x":"${"a".repeat(700_000)}"}`),
  });
  expect(huge.status()).toBe(413);
  // A body in pieces that never says how long it is.
  let left = 20;
  const pieces = new ReadableStream<Uint8Array>({
    pull: (controller) =>
      left-- > 0 ? controller.enqueue(new TextEncoder().encode(" ".repeat(50_000))) : controller.close(),
  });
  const streamed = await fetch(new URL("/api/v1/settings", baseURL), {
    method: "POST",
    headers: { "Content-Type": "application/json" },
    body: pieces,
    duplex: "half",
  } as RequestInit);
  expect(streamed.status).toBe(413);
  expect((await request.get("/api/v1/trial")).status()).toBe(405);
  const crowd = await Promise.all(
    Array.from({ length: 80 }, () => request.post("/api/v1/settings", { data: { chamber: {} } })),
  );
  for (const r of crowd) expect([200, 503]).toContain(r.status());
  const doc = (await (await request.get("/api/v1/openapi.json")).json()) as { openapi: string };
  expect(doc.openapi).toMatch(/^3\.1/);
  await page.goto("/preferences");
  await page.getByRole("link", { name: /^Reference/ }).click();
  await expect(page.getByRole("heading", { name: "Reference", exact: true })).toBeVisible();
  await expect(page.getByText(/curl -s .*api\/v1\/trial/)).toBeVisible();
  const worked = page.getByRole("article", { name: "What is wrong with a probe in the air" });
  await worked.getByRole("button", { name: "Ask it here" }).click();
  await expect(worked.getByText(/verdicts\.0\.title is ".+"/)).toBeVisible();
});

test("where no remedy cures a verdict, a search says whether any settings do, or why none can", async ({ page }) => {
  await openDemo(page);
  await page.goto("/bench?c=demo-picnic-box&at=settings");
  await trialDone(page);
  const verdicts = page.getByRole("group", { name: "Verdicts" });
  await expect(verdicts.getByText("None of the usual remedies cures this by itself.").first()).toBeVisible();
  await expect(verdicts.getByText("This cannot be cured by settings in all of its weather.")).toHaveCount(0);
  await verdicts.getByRole("button", { name: "See whether any settings do" }).click();
  await expect(verdicts.getByText("This cannot be cured by settings in all of its weather.")).toBeVisible({
    timeout: 60_000,
  });
  await expect(verdicts.getByText(/takes heat away|the warmest that you allow/).first()).toBeVisible();
});
