// Unit tests run in Node, which knows no style sheets and no worklets: those that a source imports
// are nothing there. It reads English, whatever the machine reads.
require.extensions['.css'] = () => {};
globalThis.AudioWorkletProcessor = class {};
globalThis.registerProcessor = () => {};
Object.defineProperty(globalThis, 'navigator', { value: { language: 'en-GB' } });
