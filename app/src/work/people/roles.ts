import { mayManage, type PersonView, ROLES, type Role } from '@zealous-axle/core';

export const ROLE_WORDS: Record<Role, string> = {
  driver: 'Driver',
  technician: 'Technician',
  foreman: 'Foreman',
  manager: 'Manager',
};
export const STATE_WORDS: Record<PersonView['state'], string> = { invited: 'invited', active: '', left: 'has left' };

/** The roles a person may give. */
export const rolesFor = (by: Role) =>
  ROLES.filter((role) => mayManage(by, role)).map((value) => ({ value, label: ROLE_WORDS[value] }));
