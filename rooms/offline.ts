import { create } from "zustand";
import { useWorkshop, whenStored } from "@/workshop";

/** Whether the pages open without the server. */
export type Offline =
  | "unknown"
  /** Kept: they do. */
  | "ready"
  /** The browser withholds it, as over plain HTTP from another machine. */
  | "withheld";

interface OfflineState {
  offline: Offline;
  /** A newer application waits to be taken. */
  waiting: ServiceWorker | null;
  /** The person has asked for it, and it comes as soon as everything is stored. */
  asked: boolean;
  /** It was taken in another tab; this page is still the old one. */
  elsewhere: boolean;
}

export const useOffline = create<OfflineState>(() => ({
  offline: "unknown",
  waiting: null,
  asked: false,
  elsewhere: false,
}));

/** Looks for a newer application at most so often, ms. */
const EVERY = 3600_000;

/** Has this build kept by the browser, and hears of newer ones. Once a page. */
export async function keepOffline(): Promise<void> {
  if (process.env.NODE_ENV !== "production") return;
  const set = useOffline.setState;
  if (!("serviceWorker" in navigator)) return set({ offline: "withheld" });
  const { serviceWorker } = navigator;
  try {
    const registration = await serviceWorker.register("/sw.js");
    void serviceWorker.ready.then(() => set({ offline: "ready" }));
    const hear = () => {
      const { waiting } = registration;
      // Without one in force this is the first, and nothing is to be asked.
      if (waiting && serviceWorker.controller) set({ waiting });
    };
    hear();
    registration.addEventListener("updatefound", () =>
      registration.installing?.addEventListener("statechange", () => hear()),
    );
    let had = serviceWorker.controller !== null;
    serviceWorker.addEventListener("controllerchange", () => {
      // The first to take charge is of the build that the page came from.
      if (!had) had = true;
      else if (useOffline.getState().asked) location.reload();
      else set({ waiting: null, elsewhere: true });
    });
    let looked = Date.now();
    document.addEventListener("visibilitychange", () => {
      if (document.hidden || Date.now() - looked < EVERY) return;
      looked = Date.now();
      // Without a server there is nothing newer.
      registration.update().catch(() => undefined);
    });
  } catch {
    set({ offline: "withheld" });
  }
}

/** Takes the newer application, once nothing is on its way to the store any more. */
export async function takeNewer(): Promise<void> {
  const { waiting } = useOffline.getState();
  useOffline.setState({ asked: true });
  await whenStored(useWorkshop.getState().unsaved);
  waiting?.postMessage({ type: "SKIP_WAITING" });
}
