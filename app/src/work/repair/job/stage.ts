import type { CommandBody, CommandName, JobPage } from '@zealous-axle/core';

/** Sends a command about a job, unless one is on its way already. Says whether it did. */
export type Act = <N extends CommandName>(name: N, body: CommandBody<N>, label: string) => boolean;

/** What a step of a job is shown with. */
export interface StageProps {
  page: JobPage;
  act: Act;
}
