/** What a fleet judges by and walks: its book, policies, own limits and own routes. */

export { setOwnChecks } from './own-checks';
export { removeRoute, saveRoute } from './own-walks';
export { setPhrase } from './phrases';
export { addCheckPicture, checkPictureOf } from './pictures';
export { fleetBooks, fleetLimits, fleetRoutes, fleetRules, holdRules, unitBook } from './queries';
export { addFleetLimit, setFleetRules, setOwnSign, withdrawFleetLimit, withdrawOwnSign } from './rules';
