import { scaleSign } from "./print";
import { celsius, inScale, type Scale } from "./temperature";

/**
 * Words with temperatures in them, in a scale: "{17} to {22} {°}" is "17 to 22 °C" or "63 to 72 °F". The numbers are °C
 * and come out whole, or as they are written where the scale is their own.
 */
export const inDegrees = (words: string, scale: Scale): string =>
  words
    .replace(/\{(-?\d+(?:\.\d+)?)\}/g, (_, t: string) =>
      (scale === "C" ? t : String(Math.round(inScale(celsius(Number(t)), scale)))).replace("-", "\u2212"),
    )
    .replace(/\s\{°\}/g, `\u00a0${scaleSign(scale)}`);
