import { eq } from 'drizzle-orm';
import { person } from './access';
import type { openGauges, Told } from './outside';
import { makeUpRoad, roadAnswered } from './repair';
import { tellLive } from './run';
import type { Database, FleetStore, Tasks } from './store';
import { keepYard } from './yard';

/** A call for help was answered: the yard shows it, and who looks is told. */
async function answered(store: FleetStore, fleet: string, unit: string): Promise<void> {
  await keepYard(store, [unit]);
  await tellLive(store, fleet, 'note-road', unit);
}

/** What is done with what connected systems tell. */
export const toldBy = (gauges: ReturnType<typeof openGauges>): Told => ({
  async road(store, fleet, { id, call, state, eta, words = '', report = null }, now) {
    const told = { id, call, state, eta: eta ? new Date(eta) : null, words, report };
    await answered(store, fleet, await roadAnswered(store, told, now));
  },
  async gauges(store, { to, lines }) {
    const [who] = await store.select({ id: person.id }).from(person).where(eq(person.signIn, to));
    for (const line of who ? lines : []) gauges.send(who?.id ?? '', line);
  },
});

/** The task: a made-up road service says what comes next. */
export const doMakeUpRoad = (making: { db: Database; now: () => Date }, asked: Tasks['make-up-road']): Promise<void> =>
  makeUpRoad(making, asked, (store, unit) => answered(store, asked.fleet, unit));
