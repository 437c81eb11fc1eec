// What jsdom lacks of a browser: copies of plain data, as the database in memory makes them.
const { TestEnvironment } = require("jest-environment-jsdom");

module.exports = class extends TestEnvironment {
  constructor(...told) {
    super(...told);
    this.global.structuredClone = structuredClone;
    this.global.setImmediate = setImmediate;
  }
};
