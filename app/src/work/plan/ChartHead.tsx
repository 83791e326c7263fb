import { TZDate } from '@date-fns/tz';
import { addDays } from 'date-fns/addDays';
import { format } from 'date-fns/format';
import { HEAD_PX, HOUR_MS, NAME_PX, type TimeScale } from './time-scale';

/** Hours from one that is written to the next, by how wide an hour is drawn; none where there is no room. */
const hourStep = (hour: number): number => (hour >= 40 ? 1 : hour >= 20 ? 3 : hour >= 10 ? 6 : 0);

/** The hours of a day that are written. */
function Hours({ day, scale }: { day: Date; scale: TimeScale }) {
  const step = hourStep(scale.hour);
  if (step === 0) return null;
  return Array.from({ length: 24 / step - 1 }, (_, n) => (n + 1) * step).map((hour) => (
    <div
      key={hour}
      className="absolute bottom-0 font-reading text-small text-soft"
      style={{ left: scale.x(day.getTime() + hour * HOUR_MS) - 9 }}
    >
      {String(hour).padStart(2, '0')}
    </div>
  ));
}

/** Days and hours above the rows. */
export function ChartHead({ scale, zone }: { scale: TimeScale; zone: string }) {
  const { from, span, hour, width, x } = scale;
  const days = Array.from({ length: span / 24 }, (_, n) => addDays(new TZDate(from, zone), n));
  return (
    <div className="sticky top-0 z-40 flex border-b border-line bg-card" style={{ height: HEAD_PX }}>
      <div className="sticky left-0 z-50 shrink-0 border-r border-line bg-card" style={{ width: NAME_PX }} />
      <div className="relative" style={{ width }}>
        {days.map((day) => (
          <div
            key={day.getTime()}
            className="absolute top-0 border-l border-line font-words text-small font-semibold text-ink"
            style={{ left: x(day.getTime()), width: 24 * hour, height: HEAD_PX }}
          >
            <span className="sticky inline-block pl-1" style={{ left: NAME_PX }}>
              {format(day, hour < 10 ? 'EEE d' : 'EEE d MMM')}
            </span>
          </div>
        ))}
        {days.map((day) => (
          <Hours key={day.getTime()} day={day} scale={scale} />
        ))}
      </div>
    </div>
  );
}
