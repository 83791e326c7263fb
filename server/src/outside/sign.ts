import { createHmac, timingSafeEqual } from 'node:crypto';

/** The header that carries a signature: `t=1772600000,v1=<64 hexadecimal digits>`. */
export const SIGNATURE = 'za-signature';
/** The same by the secret before, while it is being turned over. */
export const SIGNATURE_BEFORE = 'za-signature-before';
/** A signature is good for so long, either way: clocks differ. Seconds. */
const GOOD_FOR = 300;

const digest = (secret: string, seconds: number, body: string): string =>
  createHmac('sha256', secret).update(`${seconds}.${body}`).digest('hex');

/** Signs a body as it is sent, with the time it is sent at. */
export const signatureOf = (secret: string, body: string, now: Date): string => {
  const seconds = Math.floor(now.getTime() / 1_000);
  return `t=${seconds},v1=${digest(secret, seconds, body)}`;
};

/** Whether a body was signed with this secret, lately. */
export function isSigned(secret: string, body: string, header: string, now: Date): boolean {
  const [, time = '', given = ''] = /^t=(\d{1,12}),v1=([0-9a-f]{64})$/.exec(header) ?? [];
  if (!given || Math.abs(Number(time) - now.getTime() / 1_000) > GOOD_FOR) return false;
  return timingSafeEqual(Buffer.from(given, 'hex'), Buffer.from(digest(secret, Number(time), body), 'hex'));
}
