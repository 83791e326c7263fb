import { BENCH, EVERYBODY, type Role, SHOP } from '@zealous-axle/core';
import { router, usePathname } from 'expo-router';
import type { LucideIcon } from 'lucide-react-native';
import Boxes from 'lucide-react-native/icons/boxes';
import CalendarClock from 'lucide-react-native/icons/calendar-clock';
import ChevronLeft from 'lucide-react-native/icons/chevron-left';
import CircleUser from 'lucide-react-native/icons/circle-user';
import Truck from 'lucide-react-native/icons/container';
import GraduationCap from 'lucide-react-native/icons/graduation-cap';
import LayoutDashboard from 'lucide-react-native/icons/layout-dashboard';
import Settings from 'lucide-react-native/icons/settings';
import TrendingDown from 'lucide-react-native/icons/trending-down';
import Wrench from 'lucide-react-native/icons/wrench';
import { memo, type ReactNode, useEffect } from 'react';
import { Pressable, ScrollView, View } from 'react-native';
import { useOutbox } from '../device/useOutbox';
import { usePalette } from '../look/theme';
import { useWide } from '../look/wide';
import { useSessionState } from '../session/session';
import { LinkRow } from './LinkRow';
import { Text } from './Text';

interface Place {
  label: string;
  to: '/' | '/day' | '/shop' | '/plan' | '/forecast' | '/work' | '/practice' | '/set-up' | '/me';
  icon: LucideIcon;
  for: readonly Role[];
  /** Where there is room at the edge; on a phone it is reached from its own page. */
  wide?: true;
}

const PLACES: readonly Place[] = [
  { label: 'Yard', to: '/', icon: Truck, for: EVERYBODY },
  { label: 'Today', to: '/day', icon: LayoutDashboard, for: SHOP },
  { label: 'Shop', to: '/shop', icon: Wrench, for: BENCH },
  { label: 'Plan', to: '/plan', icon: CalendarClock, for: BENCH, wide: true },
  { label: 'Forecast', to: '/forecast', icon: TrendingDown, for: BENCH, wide: true },
  { label: 'Parts', to: '/work', icon: Boxes, for: BENCH, wide: true },
  { label: 'Practice', to: '/practice', icon: GraduationCap, for: EVERYBODY, wide: true },
  { label: 'Setup', to: '/set-up', icon: Settings, for: SHOP, wide: true },
  { label: 'Me', to: '/me', icon: CircleUser, for: EVERYBODY },
];

/** Where one can go from the edge of a screen: what a role works in. A manager's phone begins with the day. */
function usePlaces(wide: boolean): Place[] {
  const role = useSessionState()?.person.role;
  const places = PLACES.filter((place) => role && place.for.includes(role) && (wide || !place.wide));
  if (wide || role !== 'manager') return places;
  return [...places.filter(({ to }) => to === '/day'), ...places.filter(({ to }) => to !== '/day')];
}

function Places({ wide }: { wide: boolean }) {
  const palette = usePalette();
  const path = usePathname();
  const { entries } = useOutbox();
  return (
    <View
      role="navigation"
      aria-label="Places"
      className={wide ? 'w-24 gap-2 border-r border-line bg-card py-4' : 'flex-row border-t border-line bg-card pb-1'}
    >
      {usePlaces(wide).map(({ label, to, icon: Icon }) => {
        const here = to === '/' ? path === '/' || path.startsWith('/trailer') : path.startsWith(to);
        const waits = to === '/me' && entries.length > 0;
        return (
          <LinkRow
            key={to}
            aria-label={waits ? `${label}, ${entries.length} waiting to be sent` : label}
            aria-current={here ? 'page' : undefined}
            href={to}
            className={`min-h-14 items-center justify-center ${wide ? 'mx-2 rounded-xl py-2' : 'flex-1'} ${here ? (wide ? 'bg-raised' : 'border-t-4 border-act') : wide ? '' : 'border-t-4 border-transparent'}`}
          >
            <View>
              <Icon size={26} color={here ? palette.act : palette.soft} aria-hidden />
              {waits ? (
                <View className="absolute -right-5 -top-2 min-w-6 items-center rounded-full bg-shop px-1">
                  <Text size="small" bold tone="card">
                    {entries.length}
                  </Text>
                </View>
              ) : null}
            </View>
            <Text size="small" bold={here} tone={here ? 'act' : 'soft'}>
              {label}
            </Text>
          </LinkRow>
        );
      })}
    </View>
  );
}

interface Props {
  title: string;
  /** Said under the title: what kind of thing, since when. */
  under?: string;
  back?: () => void;
  /** What going back is called, where the screen has a step back of its own. */
  backLabel?: string;
  right?: ReactNode;
  /** The act of this screen, in thumb reach. */
  footer?: ReactNode;
  /** Without the places at the edge: one thing is being done until it is done. */
  focused?: boolean;
  /** The screen lays out and scrolls its own parts. */
  fixed?: boolean;
  /** Read or filled in from top to bottom: wide, it stays as narrow as it reads well. */
  narrow?: boolean;
  children: ReactNode;
}

type BannerProps = Pick<Props, 'title' | 'under' | 'back' | 'backLabel' | 'right'>;

/** The top of a screen: drawn again only when what it says changes. */
const Banner = memo(function Banner({ title, under, back, backLabel = 'Back', right }: BannerProps) {
  const palette = usePalette();
  return (
    <View
      role="banner"
      className="min-h-14 flex-row flex-wrap items-center gap-1 border-b border-line bg-card px-2 py-1"
    >
      {back ? (
        <Pressable
          role="button"
          aria-label={backLabel}
          onPress={back}
          className="h-12 w-12 items-center justify-center"
        >
          <ChevronLeft size={28} color={palette.ink} aria-hidden />
        </Pressable>
      ) : (
        <View className="w-2" />
      )}
      <View className="min-w-[7rem] flex-1">
        <Text level={1} size="lead" bold numberOfLines={2}>
          {title}
        </Text>
        {under ? (
          <Text size="small" tone="soft" numberOfLines={2}>
            {under}
          </Text>
        ) : null}
      </View>
      {right}
    </View>
  );
});

/** The frame of a screen: header, what it shows, what it does, and where else one can go. */
export function Screen({ title, under, back, backLabel, right, footer, focused, fixed, narrow, children }: Props) {
  const wide = useWide();
  useEffect(() => {
    document.title = `${title} – Zealous Axle`;
  }, [title]);
  return (
    <View className="flex-1 flex-row bg-ground">
      {wide && !focused ? <Places wide /> : null}
      <View className="min-w-0 flex-1">
        <Banner title={title} under={under} back={back} backLabel={backLabel} right={right} />
        {/* Reached by keyboard before all that it is about, drawn below it in thumb reach. */}
        {footer ? <View className="order-2 gap-2 border-t border-line bg-card p-3">{footer}</View> : null}
        <View role="main" className="order-1 min-h-0 flex-1">
          {fixed ? (
            children
          ) : (
            <ScrollView contentContainerClassName={`gap-4 p-4 pb-8 ${narrow ? 'w-full max-w-3xl self-center' : ''}`}>
              {children}
            </ScrollView>
          )}
        </View>
        {!wide && !focused ? (
          <View className="order-3">
            <Places wide={false} />
          </View>
        ) : null}
      </View>
    </View>
  );
}

type Home =
  | '/'
  | '/shop'
  | '/plan'
  | '/me'
  | '/practice'
  | '/routes'
  | '/set-up'
  | '/records'
  | `/trailer/${string}`
  | `/job/${string}`;
/** Back to where one came from; to `home` when the program was opened right here. */
export const goBack = (home: Home) => () => (router.canGoBack() ? router.back() : router.replace(home));
