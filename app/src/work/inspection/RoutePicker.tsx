import {
  isDriversWalk,
  measuresAll,
  PURPOSE_ROLES,
  type Route,
  routeSteps,
  routesFor,
  type UnitPage,
} from '@zealous-axle/core';
import { Pressable, View } from 'react-native';
import { clock } from '../../look/dates';
import { Drawer } from '../../parts/Drawer';
import { hasMeter, useMeter } from '../../parts/MeterField';
import { Notice } from '../../parts/Notice';
import { Text } from '../../parts/Text';
import { useMay } from '../../session/may';
import { useSession } from '../../session/session';

/** Which route to walk round this unit. The fleet's own come first. */
export function RoutePicker({
  unit,
  onPick,
  onClose,
}: {
  unit: UnitPage;
  onPick: (route: Route) => void;
  onClose: () => void;
}) {
  const { fleet, person } = useSession();
  const meter = useMeter(unit);
  const others = unit.inspecting.filter((each) => each.person !== person.id);
  const mayMeasure = useMay(PURPOSE_ROLES.full);
  const routes = routesFor(
    unit.kind,
    fleet.routes.map(({ definition }) => definition),
  ).filter((route) => mayMeasure || isDriversWalk(route));
  return (
    <Drawer title={`${mayMeasure ? 'Inspect' : 'Walk round'} ${unit.number}`} onClose={onClose}>
      {others.map(({ id, by, route, startedAt, read }) => (
        <Notice key={id} look="ask">
          {`${by} has an inspection of ${unit.number} open: ${route ?? 'measuring again'}, since ${clock(startedAt, fleet.zone)}, ${read} saved. A new one is a separate record.`}
        </Notice>
      ))}
      {hasMeter(unit) ? <View className="gap-2">{meter.field}</View> : null}
      {meter.written && !meter.valid ? (
        <Text size="small" tone="soft">
          Not saved as typed. Correct it or clear it.
        </Text>
      ) : null}
      {routes.map((route) => {
        const steps = routeSteps(route, unit).length;
        return (
          <Pressable
            key={route.id}
            role="button"
            aria-label={route.name}
            disabled={meter.written && !meter.valid}
            onPress={() => {
              if (meter.written) meter.keep();
              onPick(route);
            }}
            className="min-h-16 gap-1 rounded-xl border-2 border-edge bg-card px-4 py-3 active:opacity-70"
          >
            <View className="flex-row items-baseline justify-between gap-3">
              <Text bold size="lead" className="shrink">
                {route.name}
              </Text>
              <Text reading tone="soft" className="shrink-0">{`${steps} steps`}</Text>
            </View>
            {route.says ? <Text>{route.says}</Text> : null}
            {measuresAll(route) ? null : (
              <Text size="small" tone="soft">
                Judged with the current readings.
              </Text>
            )}
          </Pressable>
        );
      })}
    </Drawer>
  );
}
