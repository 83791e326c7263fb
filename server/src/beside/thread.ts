import { type Asked, JOBS } from './jobs';

/** The thread: works out what it is asked. */
export default ({ job, of }: Asked): unknown => JOBS[job](of as never);
