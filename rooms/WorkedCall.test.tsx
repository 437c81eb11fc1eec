import "@testing-library/jest-dom";
import { render, screen, within } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { examples, lookAt } from "@/door";
import { knock } from "@/door/server";
import { sameThread } from "@/door/testing";
import { DoorPage } from "./DoorPage";
import { WorkedCall } from "./WorkedCall";

jest.mock("next/navigation", () => ({ useRouter: () => ({ push: () => undefined }) }));

/** The door itself, without HTTP and threads between. */
beforeEach(() => {
  globalThis.fetch = (async (path: string, init: RequestInit) => {
    const headers = init.headers as Record<string, string>;
    const reply = await knock(
      path.split("/").at(-1)!,
      headers["Content-Type"]!,
      { text: init.body as string },
      sameThread,
    );
    return { ok: reply.status === 200, status: reply.status, json: async () => JSON.parse(reply.body) as unknown };
  }) as unknown as typeof fetch;
});

const verdicts = examples.find((e) => e.call === "verdicts")!;

describe("a worked call", () => {
  it("is asked here, and shows what the door answers", async () => {
    const user = userEvent.setup();
    render(<WorkedCall {...verdicts} />);
    expect(screen.getByText(/is what to look at in the answer/)).toBeVisible();
    await user.click(screen.getByRole("button", { name: "Ask it here" }));
    const reply = await knock("verdicts", "application/json", { text: JSON.stringify(verdicts.body) }, sameThread);
    const title = lookAt(JSON.parse(reply.body), verdicts.look) as string;
    expect(title.length).toBeGreaterThan(5);
    expect(await screen.findByText(JSON.stringify(title), undefined, { timeout: 20_000 })).toBeVisible();
  }, 30_000);

  it("says why where the door refuses, and where there is no door", async () => {
    const user = userEvent.setup();
    const { unmount } = render(<WorkedCall {...verdicts} body={{ chamber: {}, days: 400 }} />);
    await user.click(screen.getByRole("button", { name: "Ask it here" }));
    expect(await screen.findByText(/30/)).toBeVisible();
    unmount();
    globalThis.fetch = () => Promise.reject(new TypeError("offline"));
    render(<WorkedCall {...verdicts} />);
    await user.click(screen.getByRole("button", { name: "Ask it here" }));
    expect(await screen.findByText(/does not answer/)).toBeVisible();
  });

  it("is copied whole: the line is a call that a shell can run", async () => {
    const user = userEvent.setup();
    render(<WorkedCall {...verdicts} />);
    await user.click(screen.getByRole("button", { name: "Copy" }));
    const copied = await navigator.clipboard.readText();
    const body = /-d '(.*)'$/s.exec(copied)![1]!;
    expect(JSON.parse(body)).toEqual(verdicts.body);
    expect(body).not.toContain("'");
    expect(copied).toMatch(/^curl -s http:\/\/localhost\/api\/v1\/verdicts \\\n/);
    expect(screen.getByRole("button", { name: "Copied" })).toBeVisible();
  });
});

it("the page lists every call and works one of each", () => {
  render(<DoorPage />);
  const page = within(screen.getByRole("main"));
  for (const { call, title } of examples) {
    expect(page.getByText(`POST /api/v1/${call}`)).toBeVisible();
    expect(page.getByRole("article", { name: title })).toBeVisible();
  }
});
