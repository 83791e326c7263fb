import {
  measuresAll,
  newDraft,
  ofPresentLives,
  ROUTES_VERSION,
  type Route,
  readingPlace,
  readingText,
  routeSteps,
  rulesFor,
  type Session,
  type Step,
  type UnitPage,
} from '@zealous-axle/core';
import { v7 as uuidv7 } from 'uuid';
import { keepDraft } from '../device/drafts';
import { send } from '../device/outbox';
import { rulesOf } from './rules';

interface Beginning {
  unit: Pick<UnitPage, 'id' | 'number' | 'body' | 'kind' | 'axles' | 'standing' | 'features'> &
    Partial<Pick<UnitPage, 'notFitted' | 'lives'>>;
  session: Session;
  /** The route walked, the job whose places are measured again, or one wheel end alone. */
  by: { route: Route } | { job: string; steps: Step[] } | { end: Step[] };
}

const versionOf = ({ id }: Route, { fleet }: Session): number =>
  fleet.routes.find(({ definition }) => definition.id === id)?.version ?? ROUTES_VERSION;

/** Begins an inspection on this device, and tells the server in its turn. Gives the inspection's id. */
export async function startInspection({ unit, session, by }: Beginning): Promise<string> {
  const inspection = uuidv7();
  const { id, number, body, kind, axles, features, notFitted, lives = [] } = unit;
  const units = session.person.units ?? session.fleet.units;
  const route = 'route' in by ? by.route : null;
  const steps = 'route' in by ? routeSteps(by.route, unit) : 'end' in by ? by.end : by.steps;
  const purpose = route ? (measuresAll(route) ? 'full' : 'walk') : 're-measure';
  const job = 'job' in by ? by.job : null;
  const present = ofPresentLives(lives, unit.standing, ({ value }) => ({ ...readingPlace(value), kind: value.kind }));
  await keepDraft(
    newDraft({
      inspection,
      unit: { id, number, body, kind, axles, features, notFitted },
      rules: rulesFor(rulesOf(session), unit.features),
      purpose,
      route: route && {
        id: route.id,
        name: route.name,
        sections: route.sections.map(({ id: own, name, says, oneByOne }) => ({ id: own, name, says, oneByOne })),
      },
      job,
      steps,
      padUnit: units.length,
      airUnit: units.pressure,
      temperatureUnit: units.temperature,
      previous: Object.fromEntries(
        present.map(({ key, value, at, inspection: by }) => [
          key,
          { text: readingText(value), at, value, inspection: by },
        ]),
      ),
      replaced: Object.fromEntries(
        unit.standing
          .filter((each) => !present.includes(each))
          .map(({ key, value, at }) => [key, { text: readingText(value), at }]),
      ),
      lives,
      startedAt: new Date().toISOString(),
    }),
  );
  await send(
    'start-inspection',
    {
      inspection,
      unit: id,
      purpose,
      ...(job ? { job } : {}),
      ...(route ? { route: { id: route.id, name: route.name, version: versionOf(route, session) } } : {}),
      steps,
    },
    `${number}: ${route?.name ?? 'measuring again'} begun`,
  );
  return inspection;
}
