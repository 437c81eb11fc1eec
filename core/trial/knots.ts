import { filmNow } from "./filmNow";
import { keepToGround } from "./leftGround";
import { humidityAhead, isDry, moistHold, moveMoisture } from "./moistAir";
import { copyMoist, copyMoistInto } from "./moistState";
import { heatAllows, heldFor, moveAgain, moveProducts, stretches } from "./ownHeat";
import { beginSpan, cutShort, LONGEST_SPAN, nextSpan, spansOf, wasCut, type Spans } from "./pace";
import type { Run } from "./run";
import type { RunState } from "./state";
import { figureTurns } from "./waits";
import type { Leg } from "./leg";
import type { Look } from "../program";

/** How often at least the films of still air are looked at, s: a body that has just stopped cools within the minute. */
const LOOKS_AT_FILMS = 30;

/** Every so many steps it is looked whether something has to move on, and how long that is held: steps. */
export interface Knots {
  /** Films of still air that grow with the difference are looked at so often; products and water at some of these. */
  every: number;
  films: boolean;
  products: Spans;
  water: Spans;
}

export function knotsOf(run: Run): Knots {
  const { chamber, dt } = run.input;
  const products = heldFor(chamber);
  const water = run.moist ? moistHold(run, products) : products;
  const together = Math.min(products, water);
  const films = chamber.thermal.filmGrows > 0;
  const moving = films ? together / Math.ceil(together / LOOKS_AT_FILMS) : together;
  const every = Math.max(1, Math.round(moving / dt));
  const everySo = (hold: number) => every * Math.max(1, Math.round(hold / moving));
  const longest = stretches(chamber) ? LONGEST_SPAN / dt : 0;
  return {
    every,
    films,
    products: spansOf(everySo(products), longest),
    water: run.moist ? spansOf(everySo(water), run.moist.bare ? LONGEST_SPAN / 2 / dt : 0) : NEVER,
  };
}

/** Where there is no water to move. */
const NEVER: Spans = { least: Infinity, most: Infinity };

/** Steps from one until products or water move next. */
export const untilMove = ({ step, paces }: RunState): number =>
  Math.min(paces.products.until, paces.water.until) - step;

/** What a knot has changed. */
export interface Moved {
  /** Some input is another. */
  inputs: boolean;
  /** The films, and with them every mode of the network. */
  films: boolean;
}

/** The next step at which something may move on. */
const nextKnot = (step: number, every: number): number => Math.ceil(step / every) * every;

/** What is held ends at the next knot: a stage begins, or something happens. */
export function cutSpans({ paces, step }: RunState, { every, products, water }: Knots): void {
  cutShort(paces.products, products, nextKnot(step, every));
  cutShort(paces.water, water, nextKnot(step, every));
}

/** Something switches: a plate gets wet within minutes of its compressor's start. */
export const cutWater = ({ paces, step }: RunState, { every, water }: Knots): void =>
  cutShort(paces.water, water, nextKnot(step, every));

/** Moves products, water and films on over the span that comes. */
export function moveOn(run: Run, knots: Knots, leg: Leg, look: Look, moved: Moved): void {
  const { state, input } = run;
  const { conditions, power } = leg.now;
  const { step, paces } = state;
  const { dt } = input;
  moved.inputs = moved.films = false;
  keepToGround(run);
  if (step >= paces.products.until) moved.inputs = productsOn(run, knots, leg, look);
  if (step >= paces.water.until && waterOn(run, knots.water, power)) moved.inputs = true;
  const film = knots.films ? filmNow(run, conditions, step * dt) : 0;
  if (film === conditions.film) return;
  state.film = conditions.film = film;
  moved.films = true;
}

function productsOn(run: Run, { products: spans }: Knots, { now: { power }, waits }: Leg, look: Look): boolean {
  const { state, input, steps } = run;
  const { step, before, products, program } = state;
  const pace = state.paces.products;
  if (before.products && wasCut(pace, step)) moveAgain(run, before.products, step);
  const move = (span: number) => {
    beginSpan(pace, step, span);
    const seconds = span * input.dt;
    return moveProducts(run, seconds, humidityAhead(run, seconds, power));
  };
  before.products = null;
  const { least, most } = spans;
  const span = nextSpan(pace, step, spans, most > least ? Math.min(heatAllows(run), steps - step) : 0);
  if (span === least) return move(least);
  before.products = products.map((p) => ({ ...p }));
  const changed = move(span);
  if (!figureTurns(waits, program.heldSince, look)) return changed;
  // What a stage waits for comes within the span: it is not missed by the length of one.
  moveAgain(run, before.products, step + least);
  before.products = null;
  beginSpan(pace, step, least);
  return changed;
}

function waterOn(run: Run, spans: Spans, power: boolean): boolean {
  const { state, input, steps } = run;
  const { step, before } = state;
  const pace = state.paces.water;
  let changed = false;
  if (before.moisture && pace.span > spans.least && wasCut(pace, step)) {
    // Only what really passed is in the books.
    const { latent, openFrom, openTo } = state.moisture!;
    [state.moisture, before.moisture] = [before.moisture, state.moisture];
    // Its heat stands as it was in force, and what opened meanwhile is open.
    state.moisture.latent.set(latent);
    Object.assign(state.moisture, { openFrom, openTo });
    changed = moveMoisture(run, (step - pace.from) * input.dt, power, step * input.dt);
  }
  const span = nextSpan(pace, step, spans, isDry(run) ? steps - step : 0);
  if (span > spans.least) {
    before.moisture ??= copyMoist(state.moisture!);
    copyMoistInto(state.moisture!, before.moisture);
  }
  beginSpan(pace, step, span);
  return moveMoisture(run, span * input.dt, power) || changed;
}
