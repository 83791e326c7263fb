import type { CommandName, Problem, Signature } from '@zealous-axle/core';

/** A command on the device until the server has answered it. */
export interface Waiting {
  seq?: number;
  id: string;
  person: string;
  name: CommandName;
  at: string;
  /** The server's clock, as it was last told before the act. */
  contact?: string | undefined;
  body: unknown;
  /** By the key of its person's device. */
  signature?: Signature | undefined;
  /** What it does, in the person's words: shown while it waits. */
  label: string;
  /** How often the server broke on it. */
  tries?: number;
  /** Why the server refused it; it stays until the person decides. */
  refused?: Problem;
  /** The device could not keep it: it is lost with this window unless it is sent first. */
  onlyHere?: true;
}

const UUID = /[0-9a-f]{8}(?:-[0-9a-f]{4}){3}-[0-9a-f]{12}/gi;

/** What a command names beside its unit: the inspection, the defect, the job it makes or is about. */
function named({ body }: Waiting): Set<string> {
  const { unit, ...rest } = body as { unit?: unknown };
  const ids = JSON.stringify(rest).match(UUID) ?? [];
  return new Set(ids.filter((id) => id !== unit));
}

/** Whether a command is about something that an earlier one makes or changes. */
export function restsOn(later: Waiting, earlier: Waiting): boolean {
  const ids = named(earlier);
  return [...named(later)].some((id) => ids.has(id));
}
