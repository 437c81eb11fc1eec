/** A page that is left takes with it what the store has not acknowledged: the browser asks first. */
const ask = (event: BeforeUnloadEvent): void => event.preventDefault();

/** The listener stands only while there is something to lose: with it some browsers keep no page to go back to. */
export function askOnLeaving(something: boolean): void {
  if (typeof window === "undefined") return;
  if (something) window.addEventListener("beforeunload", ask);
  else window.removeEventListener("beforeunload", ask);
}
