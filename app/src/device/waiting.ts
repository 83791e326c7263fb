import type { CommandName, Problem } from '@zealous-axle/core';

/** A command on the device until the server has answered it. */
export interface Waiting {
  seq?: number;
  id: string;
  person: string;
  name: CommandName;
  at: string;
  body: unknown;
  /** What it does, in the person's words: shown while it waits. */
  label: string;
  /** Why the server refused it; it stays until the person decides. */
  refused?: Problem;
  /** The device could not keep it: it is lost with this window unless it is sent first. */
  onlyHere?: true;
}
