import type { Kept, RecordProblem, SecurityKind } from '@zealous-axle/core';

/** What a line of the security log says, before whom and what it concerns. */
export const SECURITY_WORDS: Record<SecurityKind, string> = {
  'signed-in': 'Signed in',
  'sign-in-refused': 'Sign-in refused',
  'factor-refused': 'Second code refused',
  'person-changed': 'Took over a device by PIN',
  'pin-refused': 'PIN refused',
  'code-used': 'Invitation used',
  'code-refused': 'Invitation code refused',
  'password-changed': 'Password changed',
  'pin-set': 'PIN set',
  'pin-removed': 'PIN removed',
  'factor-on': 'Two-step sign-in on',
  'factor-off': 'Two-step sign-in off',
  'key-enrolled': 'Signing key enrolled',
  'sessions-ended': 'Signed out everywhere else',
  'signed-out': 'Signed out',
  exported: 'Exported',
  'backed-up': 'Backup made and test-restored',
  'backup-failed': 'Backup failed',
  restored: 'Database restored',
  did: 'Changed',
};
/** What was refused, or failed: worth a second look. */
export const REFUSALS: readonly SecurityKind[] = [
  'sign-in-refused',
  'factor-refused',
  'pin-refused',
  'code-refused',
  'backup-failed',
];

export const KEPT_WORDS: Record<Kept, string> = {
  inspections: 'Closed inspections',
  repairs: 'Certified repairs',
  reports: 'Drivers’ reports that needed no repair',
  photos: 'Photos',
  security: 'Security log',
};

const WRONG_WORDS: Record<RecordProblem['wrong'], string> = {
  changed: 'was changed outside the program',
  removed: 'was removed outside the program',
  inserted: 'was not written by the program',
  reordered: 'is out of order',
};
const WHAT_WORDS: Record<RecordProblem['what'], string> = { entry: 'Entry', event: 'Event', row: 'Row' };

export const problemWords = ({ what, which, wrong }: RecordProblem): string =>
  `${WHAT_WORDS[what]} ${which} ${WRONG_WORDS[wrong]}.`;

/** A sum as two people compare it over the phone. */
export const inGroups = (hash: string): string => hash.replace(/(.{8})(?=.)/g, '$1 ');
