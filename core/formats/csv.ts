/**
 * What a spreadsheet would work out as a formula: a text that begins with =, @ or a control character, or with a sign
 * and is no number (OWASP, CSV injection; from memory). Such a cell is written with an apostrophe before it.
 */
export const FORMULA = /^(?:[=@\t\r]|[+-](?![\d.]+(?:e[+-]?\d+)?$)).*$/i;
