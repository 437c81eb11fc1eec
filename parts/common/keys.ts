/** Somebody is typing or choosing from a list: single keys belong to that, not to shortcuts. */
export const isTyping = ({ target }: KeyboardEvent): boolean =>
  (target instanceof HTMLInputElement && target.type === "text") ||
  target instanceof HTMLTextAreaElement ||
  target instanceof HTMLSelectElement;

/** Single keys work on every control that takes no text: buttons, radio buttons, the marks of the ruler. */
export const singleKey = { enableOnFormTags: true, ignoreEventWhen: isTyping, preventDefault: true } as const;
