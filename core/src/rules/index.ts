/** What a fleet judges by and walks: book, policies, own limits, own routes. */

export { RULES_COMMANDS } from './commands';
