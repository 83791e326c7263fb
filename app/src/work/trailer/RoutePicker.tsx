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
import { useMay, useSession } from '../../data/session';
import { Sheet } from '../../parts/Sheet';
import { T } from '../../parts/T';

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
  const { fleet } = useSession();
  const mayMeasure = useMay(PURPOSE_ROLES.full);
  const routes = routesFor(
    unit.kind,
    fleet.routes.map(({ definition }) => definition),
  ).filter((route) => mayMeasure || isDriversWalk(route));
  return (
    <Sheet title={`${mayMeasure ? 'Inspect' : 'Walk round'} ${unit.number}`} onClose={onClose}>
      {routes.map((route) => {
        const steps = routeSteps(route, unit).length;
        return (
          <Pressable
            key={route.id}
            role="button"
            aria-label={route.name}
            onPress={() => onPick(route)}
            className="min-h-16 gap-1 rounded-xl border-2 border-edge bg-card px-4 py-3 active:opacity-70"
          >
            <View className="flex-row items-baseline justify-between gap-3">
              <T bold size="lead" className="shrink">
                {route.name}
              </T>
              <T reading tone="soft">{`${steps} steps`}</T>
            </View>
            {route.says ? <T>{route.says}</T> : null}
            {measuresAll(route) ? null : (
              <T size="small" tone="soft">
                Judged together with the readings that stand.
              </T>
            )}
          </Pressable>
        );
      })}
    </Sheet>
  );
}
