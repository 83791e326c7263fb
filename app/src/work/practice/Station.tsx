import { type Control, controlsOf, draw, type View as Look, type Scene } from '@zealous-axle/core/practice';
import { useMemo } from 'react';
import { View } from 'react-native';
import { Button } from '../../parts/Button';
import { Choice } from '../../parts/Choice';
import { Slider } from '../../parts/Slider';
import { Drawn } from './Drawn';
import { tapSound } from './sound';

interface ControlProps {
  control: Control;
  look: Look;
  scene: Scene;
  onLook: (look: Look) => void;
}

function tapped(scene: Scene, place: number): void {
  const at = scene.kind === 'tap' ? scene.sounds[place] : undefined;
  if (at) tapSound(at.sound);
}

/** One thing that may be done here: a lamp, a rag, another place, the hammer. */
function Act({ control, look, scene, onLook }: ControlProps) {
  if (control.does === 'toggle') {
    const on = look[control.of];
    const again = control.of === 'tapped';
    const press = () => {
      if (again) tapped(scene, look.place);
      onLook({ ...look, [control.of]: again ? true : !on });
    };
    const spent = control.of === 'wiped' && on;
    return <Button className="grow" label={on ? control.on : control.off} disabled={spent} onPress={press} />;
  }
  if (control.does === 'step')
    return (
      <View className="w-full">
        <Slider
          label={control.label}
          shown={look.eye === 0 ? 'square on' : look.eye < 0 ? `${-look.eye} to the left` : `${look.eye} to the right`}
          value={look.eye}
          least={control.least}
          most={control.most}
          step={1}
          onChange={(eye) => onLook({ ...look, eye })}
        />
      </View>
    );
  if (control.of === 'lamps')
    return (
      <Choice
        label={control.label}
        options={control.options.map(({ value, label }) => ({ value, label }))}
        value={look.lamps}
        onChange={(lamps) => onLook({ ...look, lamps })}
      />
    );
  const of = control.of;
  return (
    <Choice
      label={control.label}
      options={(control.options as readonly string[]).map((label, nth) => ({ value: String(nth), label }))}
      value={String(look[of])}
      onChange={(value) => onLook({ ...look, [of]: Number(value), tapped: false })}
    />
  );
}

/** A station with what may be done at it. */
export function Station({
  scene,
  level,
  look,
  onLook,
}: {
  scene: Scene;
  level: number;
  look: Look;
  onLook: (look: Look) => void;
}) {
  const drawing = useMemo(() => draw(scene, look), [scene, look]);
  const controls = useMemo(() => controlsOf(scene, level), [scene, level]);
  return (
    <View className="gap-2">
      <Drawn drawing={drawing} />
      {controls.length ? (
        <View className="flex-row flex-wrap gap-2">
          {controls.map((control) => (
            <Act key={control.of} control={control} look={look} scene={scene} onLook={onLook} />
          ))}
        </View>
      ) : null}
    </View>
  );
}
