const KEY = 'za-torque';

/** A torque as it is written down, and what it was set with. */
export interface LastTorque {
  value: string;
  tool: string;
}

/** What wheels were torqued to last on this device, and with what; null where none were. */
export function lastTorque(): LastTorque | null {
  try {
    const { value, tool } = JSON.parse(localStorage.getItem(KEY) ?? '') as LastTorque;
    return value && tool ? { value, tool } : null;
  } catch {
    return null;
  }
}

export const noteTorque = ({ value, tool }: LastTorque): void =>
  localStorage.setItem(KEY, JSON.stringify({ value, tool }));
