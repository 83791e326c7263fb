/** Who works here: how they come in, their hours, and the bays they work in. */

export { foundFleet, foundingSchema } from './found-fleet';
export { ownRoutes } from './own-routes';
export { invitePerson, mayInvite, resetPerson, setOwnUnits, setPerson, setPersonLeft } from './people';
export { peopleRoutes } from './people-routes';
export { bay } from './schema';
export { sessionRoutes } from './session-routes';
export { baysOf, saveBay, setHolidays } from './set-up';
