import { filmNow } from "./filmNow";
import { keepToGround } from "./leftGround";
import { humidityAhead, moistHold, moveMoisture } from "./moistAir";
import { heldFor, moveProducts } from "./ownHeat";
import type { Run } from "./run";
import type { Situation } from "./timeline";

/** How often at least the films of still air are looked at, s: a body that has just stopped cools within the minute. */
const LOOKS_AT_FILMS = 30;

/** Steps after which products, water and films are moved on, and which of them there are any moments of. */
export interface Knots {
  /** Films of still air that grow with the difference are looked at so often; products and water at some of these. */
  every: number;
  films: boolean;
  products: number;
  water: number;
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
  return { every, films, products: everySo(products), water: everySo(water) };
}

/** Steps from one until products or water move next. */
export const untilMove = ({ products, water }: Knots, step: number): number =>
  Math.min(products - (step % products), water - (step % water));

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
