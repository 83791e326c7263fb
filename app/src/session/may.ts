import { type CommandName, commandOf, type Role } from '@zealous-axle/core';
import { useSessionState } from './session';

/** Whether the signed-in person has one of these roles. */
export const useMay = (roles: readonly Role[]): boolean => {
  const session = useSessionState();
  return session ? roles.includes(session.person.role) : false;
};

/** Whether the signed-in person may ever send a command; its life-cycle table asks again, with the state. */
export const useMaySend = (name: CommandName): boolean => useMay(commandOf(name).roles);
