/** What takes long is worked out beside the one thread that answers everybody: files read and written. */
export { beside, eachInTurn } from './beside';
