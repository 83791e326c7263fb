/** The queue's tasks: what is done beside the requests, by any process that reaches the database. */
export { type Doers, openQueue, type Queue } from './queue';
