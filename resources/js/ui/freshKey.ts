/** A key that nothing else has. `crypto.randomUUID` is there only over TLS or on the machine itself. */
export const freshKey = () =>
    Array.from(crypto.getRandomValues(new Uint8Array(16)), (byte) => byte.toString(16).padStart(2, '0')).join('');
