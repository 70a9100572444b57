require('fake-indexeddb/auto');
const { webcrypto } = require('node:crypto');
const { TextDecoder, TextEncoder } = require('node:util');

globalThis.structuredClone ??= (value) => JSON.parse(JSON.stringify(value));
if (!globalThis.crypto?.randomUUID) Object.defineProperty(globalThis, 'crypto', { value: webcrypto });
Object.assign(globalThis, { TextEncoder: globalThis.TextEncoder ?? TextEncoder, TextDecoder: globalThis.TextDecoder ?? TextDecoder });
