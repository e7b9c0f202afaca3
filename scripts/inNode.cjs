// Unit tests run in Node, which knows no style sheets and no worklets: those that a source imports
// are nothing there. It reads English, whatever the machine reads. The database stands there before
// any file is loaded: Dexie looks for it once, and which file comes first in a process is chance.
require('fake-indexeddb/auto');
require.extensions['.css'] = () => {};
globalThis.AudioWorkletProcessor = class {};
globalThis.registerProcessor = () => {};
Object.defineProperty(globalThis, 'navigator', { value: { language: 'en-GB' } });
// What draws is drawn to text there; tsx writes such a file with the one name that React once needed.
globalThis.React = require('react');
