import { readFileSync } from 'node:fs';
import { dayIn, type Policies, policyMinutes } from '@zealous-axle/core';
import { getTimes } from 'suncalc';

interface Place {
  latitude: number;
  longitude: number;
}

/** Every zone's own place stands in the zone list that comes with the system's zones. */
const ZONES = '/usr/share/zoneinfo/zone.tab';
const COORDINATES = /^([+-])(\d{2})(\d{2})(\d{2})?([+-])(\d{3})(\d{2})(\d{2})?$/;

/** Degrees from `+415100-0873900`; null where it is none. */
function placeFrom(text: string): Place | null {
  const found = COORDINATES.exec(text);
  if (!found) return null;
  const [, north, ...rest] = found;
  const [degrees = 0, minutes = 0, seconds = 0] = rest.slice(0, 3).map(Number);
  const [far = 0, farMinutes = 0, farSeconds = 0] = rest.slice(4).map((each) => Number(each ?? 0));
  return {
    latitude: (north === '-' ? -1 : 1) * (degrees + minutes / 60 + (seconds || 0) / 3600),
    longitude: (rest[3] === '-' ? -1 : 1) * (far + farMinutes / 60 + farSeconds / 3600),
  };
}

/** The list as it is here; a system without it has no zone's place, and lets nothing run by daylight. */
function zoneLines(): string[] {
  try {
    return readFileSync(ZONES, 'utf8').split('\n');
  } catch {
    return [];
  }
}

let zones: Map<string, Place> | null = null;
function placeOfZone(zone: string): Place | null {
  zones ??= new Map(
    zoneLines()
      .filter((line) => line !== '' && !line.startsWith('#'))
      .flatMap((line) => {
        const [, coordinates = '', name = ''] = line.split('\t');
        const place = placeFrom(coordinates);
        return place ? [[name, place] as const] : [];
      }),
  );
  return zones.get(zone) ?? null;
}

/**
 * Until when it is day today in a zone: so many minutes before the sun sets at the zone's own place as the fleet's rules
 * say, since most of a zone lies beside it. Null before the sun rose there, after that, and for a zone that has no place.
 */
export function daylightUntil(zone: string, policies: Policies, now: Date): Date | null {
  const place = placeOfZone(zone);
  if (!place) return null;
  const { sunrise, sunset } = getTimes(new Date(`${dayIn(zone, now)}T12:00:00Z`), place.latitude, place.longitude);
  if (!sunrise || !sunset || Number.isNaN(sunset.getTime())) return null;
  const margin = policyMinutes(policies, 'dusk') * 60_000;
  const dusk = new Date(sunset.getTime() - margin);
  return now.getTime() >= sunrise.getTime() + margin && now < dusk ? dusk : null;
}
