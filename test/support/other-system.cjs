// Lets a program take this system for the one that OXALIS_TEST_SYSTEM names: libraries for this one stay in use.
const Module = require("node:module");

const resolve = Module._resolveFilename;
Module._resolveFilename = (wanted, ...more) =>
  resolve.call(Module, wanted.replace(/-(darwin|win32)-/, "-linux-"), ...more);
Object.defineProperty(process, "platform", { value: process.env.OXALIS_TEST_SYSTEM });
