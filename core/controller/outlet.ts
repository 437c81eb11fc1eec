/** How an outlet turns a share into what its devices get. */
export interface Outlet {
  /** A relay and a solid-state relay switch within a window; power follows the share itself (a blower, a plate). */
  by: "relay" | "solidState" | "power";
  /** Window within which a share is switched, s. */
  window: number;
  /** No pulse and no pause is shorter than this, s. */
  shortestPulse: number;
}

/** Windows by what switches (the design's reference: 10 s for a solid-state relay, 30 to 60 s for a mechanical one). */
export const outletOf = (by: Outlet["by"]): Outlet => ({
  by,
  window: by === "solidState" ? 10 : 30,
  shortestPulse: by === "relay" ? 1 : 0.1,
});

/** Where an outlet stands within its window; plain data. */
export interface OutletState {
  /** Seconds into the present window. */
  into: number;
  /** Seconds of it that the outlet is live. */
  live: number;
}

export const freshOutlet = (): OutletState => ({ into: 0, live: 0 });

/** The pulse that a share asks for within a window: nothing and all of it are whole, and no pulse or pause is too short. */
function pulseOf(share: number, { window, shortestPulse }: Outlet): number {
  const pulse = share * window;
  if (pulse < shortestPulse / 2) return 0;
  if (window - pulse < shortestPulse / 2) return window;
  return Math.min(window - shortestPulse, Math.max(shortestPulse, pulse));
}

/**
 * What the devices of an outlet get over a step, as a share of their power: 0 or 1 from a relay (time-proportioned), the
 * share itself where it follows by power. A window shorter than two steps cannot be resolved and is averaged power.
 * Mutates `state`.
 * @param share 0..1, as the controller asks now; a window keeps the share that it began with
 */
export function stepOutlet(state: OutletState, share: number, outlet: Outlet, dt: number): number {
  if (outlet.by === "power" || outlet.window < 2 * dt) return share;
  if (state.into === 0) state.live = pulseOf(share, outlet);
  // Live for that part of the step that lies within the pulse.
  const on = Math.min(dt, Math.max(0, state.live - state.into));
  state.into += dt;
  if (state.into >= outlet.window - 1e-9) state.into = 0;
  return on / dt;
}
