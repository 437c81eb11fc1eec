import { expect, fill, openDemo, test, trialDone } from "./fixtures";

test("two outlets are wired on 230 V and on 120 V; a link that was left is found by typed readings", async ({
  page,
}) => {
  await openDemo(page, "wiring");
  await page.getByRole("checkbox", { name: "I wire it myself" }).check();
  const says = page.getByRole("region", { name: "What the plan says" });
  await page.getByRole("checkbox", { name: /^Residual-current protection/ }).uncheck();
  await expect(says).toContainText("No residual-current protection");
  await page.getByRole("checkbox", { name: /^Residual-current protection/ }).check();
  const wires = page.getByRole("region", { name: "Conductors" });
  await expect(wires).toContainText(/BS 7671/);
  await expect(wires).toContainText("green-yellow");
  await page.getByLabel("Mains").selectOption({ label: "120 V, line and neutral" });
  await expect(wires).toContainText(/NEC table 400.5/);
  await expect(wires.getByRole("cell", { name: "white" }).first()).toBeVisible();
  await expect(page.getByRole("img", { name: /^Wiring as a ladder: 120 V/ })).toBeVisible();
  // One that is picked in the list lights up in the drawing.
  const feed = wires.getByRole("row").filter({ hasText: "unit, contact for heat, in" }).getByRole("button");
  await feed.click();
  await expect(feed).toHaveAttribute("aria-pressed", "true");
  await page.getByLabel("Outlets").selectOption({ label: "A twin socket, its link broken" });
  await page.getByText("Proof by meter", { exact: true }).click();
  const result = page.getByRole("status", { name: "What the readings say" });
  await expect(result).toContainText("No reading yet.");
  const beeps = page.getByRole("button", { name: "It beeps : heat outlet, line, and cold outlet, line" });
  await beeps.click();
  await expect(result).toContainText("Something is wrong.");
  await expect(result).toContainText("The link between the two sockets is not broken");
  await expect(result).toContainText("or something else");
  await beeps.click();
  await page.getByRole("button", { name: "Silent : heat outlet, line, and cold outlet, line" }).click();
  await expect(result).not.toContainText("The link between");
  await expect(result).toContainText(/Nothing being wrong explains them/);
  // The plan is kept; a heater too strong for its relay is danger on the path.
  await fill(page, "Relay: resistive load", "0.5");
  await page.getByLabel("Mains").selectOption({ label: "230 V, line and neutral" });
  await page.reload();
  await trialDone(page);
  await expect(page.getByRole("checkbox", { name: "I wire it myself" })).toBeChecked();
  await expect(page.getByRole("textbox", { name: "Relay: resistive load" })).toHaveValue("0.5");
});

test("the enclosure, the steps of the work with a photo, readings that are kept, and all of it on paper", async ({
  page,
}) => {
  await openDemo(page, "wiring");
  await page.getByRole("checkbox", { name: "I wire it myself" }).check();
  await page.getByLabel("Where the relays are").selectOption({ label: "Outside, driven by it" });
  const drawing = page.getByRole("img", { name: /^Inside of the enclosure, .* Relay, heat/ });
  await expect(drawing).toBeVisible();
  await page.getByText("Order of the work").click();
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
  await page.getByText("Proof by meter", { exact: true }).click();
  const first = page.getByRole("button", { name: /^It beeps : plug, earth, and heat outlet, earth/ });
  await first.click();
  await page.reload();
  await trialDone(page);
  await page.getByText("Order of the work").click();
  await page.getByText("Proof by meter", { exact: true }).click();
  await expect(look).toBeChecked();
  await expect(page.getByRole("img", { name: "The finished wiring" })).toBeVisible();
  await expect(first).toHaveAttribute("aria-pressed", "true");
  await page.getByRole("button", { name: "Begin anew: forget all readings" }).click();
  await expect(first).toHaveAttribute("aria-pressed", "false");
  await page.getByRole("link", { name: "All of it on paper" }).click();
  await expect(page.getByRole("heading", { name: "Labels, to stick on" })).toBeVisible();
  await page.emulateMedia({ media: "print" });
  await expect(page.getByRole("img", { name: /^Wiring as a ladder/ })).toBeVisible();
  await expect(page.getByRole("region", { name: "Proof by meter" })).toContainText("has to beep");
});

test("two cords with contactors, names from the unit's paper, what one fault would do, and a heater measured in ohms", async ({
  page,
}) => {
  await openDemo(page, "wiring");
  await page.getByRole("checkbox", { name: "I wire it myself" }).check();
  const says = page.getByRole("region", { name: "What the plan says" });
  await page.getByRole("checkbox", { name: /^A one-shot thermal cut-out/ }).uncheck();
  await expect(says).toContainText("Nothing ends the heating");
  await page.getByRole("checkbox", { name: /^A one-shot thermal cut-out/ }).check();
  await expect(says).not.toContainText("Nothing ends the heating");
  await page.getByRole("checkbox", { name: /^What cools has a cord of its own/ }).check();
  await expect(says).toContainText("Two cords feed it");
  await expect(page.getByRole("img", { name: /^Wiring as a ladder: .*, two cords/ })).toBeVisible();
  await page.getByLabel("Relays", { exact: true }).selectOption({ label: "Contactor, two poles" });
  const wires = page.getByRole("region", { name: "Conductors" });
  await expect(wires).toContainText("coil of the contactor for heat");
  // The unit's own paper calls it otherwise: so does the list from then on, and after a reload.
  await page.getByText(/^Terminals as your unit/).click();
  await fill(page, "unit, contact for heat, out", "K1 14");
  await expect(wires).toContainText("unit, K1 14");
  await page.getByText("What one fault would do", { exact: true }).click();
  const dangerous = page.getByRole("region", { name: "Dangerous" });
  await expect(dangerous).toContainText("The neutrals of the two cords are joined.");
  await expect(dangerous).toContainText("a pin of its plug is live");
  // A conductor of the drawing that is clicked is marked in the list.
  const drive = page.locator('[data-wire="heat-drive"]');
  await drive.evaluate((el) => el.scrollIntoView({ block: "center" }));
  const at = (await drive.boundingBox())!;
  await page.mouse.click(at.x + at.width / 2, at.y + at.height / 2);
  await expect(wires.getByRole("row").filter({ hasText: "unit, K1 14" }).getByRole("button")).toHaveAttribute(
    "aria-pressed",
    "true",
  );
  await page.getByText("Proof by meter", { exact: true }).click();
  const open = page.getByRole("button", { name: "No reading: open" });
  await open.click();
  const result = page.getByRole("status", { name: "What the readings say" });
  await expect(result).toContainText("The heater itself is open.");
  await open.click();
  const ohms = page.getByRole("textbox", { name: /^Read: heater.s own plug/ });
  await ohms.fill("-3");
  await ohms.press("Enter");
  await expect(page.getByText(/^No less than 0/)).toBeVisible();
  await page.reload();
  await trialDone(page);
  await expect(wires).toContainText("unit, K1 14");
  await page.getByLabel("How it is fed").selectOption({ label: "Fixed, clipped to a wall" });
  await expect(wires).toContainText("IEC 60364-5-52 table B.52.2, method C");
});
