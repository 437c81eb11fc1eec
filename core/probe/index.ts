export * from "./offset";
export * from "./placement";
