const SECRET_BYTES = 32;

/** A secret for two sides to sign with, drawn on this device: 43 letters and digits. */
export function newSecret(): string {
  const bytes = crypto.getRandomValues(new Uint8Array(SECRET_BYTES));
  return btoa(String.fromCharCode(...bytes))
    .replaceAll('+', '-')
    .replaceAll('/', '_')
    .replace(/=+$/, '');
}
