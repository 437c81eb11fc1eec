import { filmNow } from "./filmNow";
import { keepToGround } from "./leftGround";
import { humidityAhead, moistHold, moveMoisture } from "./moistAir";
import { heldFor, moveProducts } from "./ownHeat";
import type { Run } from "./run";
import type { Situation } from "./timeline";

/** How often at least the films of still air are looked at, s: a compressor's run is a few minutes. */
const LOOKS_AT_FILMS = 100;

/** Steps between two moments at which products, water and films are moved on, and how often each of them is. */
export interface Knots {
  every: number;
  products: number;
  water: number;
  /** Films of still air grow with the difference. */
  films: boolean;
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
  return { every, products: everySo(products), water: everySo(water), films };
}

/** What a knot has changed. */
export interface Moved {
  /** Some input is another. */
  inputs: boolean;
  /** The films, and with them every mode of the network. */
  films: boolean;
}

/** Moves products, water and films on over the span that comes. */
export function moveOn(run: Run, knots: Knots, { conditions, power }: Situation, moved: Moved): void {
  const { state, input } = run;
  const { step } = state;
  const { dt } = input;
  keepToGround(run);
  moved.inputs = moved.films = false;
  if (step % knots.products === 0) {
    const span = knots.products * dt;
    moved.inputs = moveProducts(run, span, humidityAhead(run, span, power));
  }
  if (step % knots.water === 0 && moveMoisture(run, knots.water * dt, power)) moved.inputs = true;
  const film = knots.films ? filmNow(run, conditions, step * dt) : 0;
  if (film === conditions.film) return;
  state.film = conditions.film = film;
  moved.films = true;
}
