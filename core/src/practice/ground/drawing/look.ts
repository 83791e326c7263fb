import { circle, type Drawing, drawing, line, path, rect, type Shape, text } from './shape';
import type { View } from './view';

/** Parts looked at by eye, each with the codes that can be seen on it. */
export interface LookScene {
  kind: 'hose' | 'spring' | 'air-bag' | 'drum' | 'jaws';
  codes: readonly string[];
}

function drawHose({ codes }: LookScene): Drawing {
  const rubbed = codes.some((code) => code === 'brake-hose-chafed' || code === 'hose-shiny');
  const bulge = codes.includes('brake-hose-bulged');
  const leaks = codes.includes('air-leak') || codes.includes('air-coupling');
  const shapes = [
    rect(20, 60, 60, 30, 'metal', { stroke: 'ink' }),
    rect(280, 150, 60, 30, 'metal', { stroke: 'ink' }),
    line(160, 0, 190, 240, 'edge', 16),
    path('M80 75C150 75 120 180 190 150S250 165 280 165', 'none', 'rubber', 20),
    path('M80 75C150 75 120 180 190 150S250 165 280 165', 'none', 'soft', 2),
    ...(rubbed ? [path('M164 156q14 6 26 -6', 'none', 'shiny', 12, { mark: 'rubbed' })] : []),
    ...(bulge ? [circle(128, 122, 19, 'rubber', { stroke: 'ink', width: 2, mark: 'bulge' })] : []),
    ...(leaks ? [line(280, 150, 292, 126, 'soft', 2, 'leak'), line(290, 150, 306, 130, 'soft', 2, 'leak')] : []),
  ];
  const said = [
    rubbed ? 'a clean shiny spot where it touches the frame' : '',
    bulge ? 'a bulge under pressure' : '',
    leaks ? 'a hiss at the coupling' : '',
  ].filter(Boolean);
  return drawing(
    shapes,
    said.length ? `The hose has ${said.join(', ')}.` : 'The hose is dull all along, dry and straight.',
  );
}

function drawSpring({ codes }: LookScene): Drawing {
  const broken = codes.includes('leaf-broken');
  const main = codes.includes('main-leaf-broken');
  const shifted = codes.includes('leaf-shifted');
  const leaf = (nth: number): Shape[] => {
    const half = 150 - nth * 22;
    const y = 70 + nth * 16;
    const x = 180 + (shifted && nth === 2 ? 22 : 0);
    const whole = `M${x - half} ${y + 26 - nth * 4}Q${x} ${y - 26 + nth * 6} ${x + half} ${y + 26 - nth * 4}`;
    const cut = (broken && nth === 2) || (main && nth === 0);
    return [
      path(whole, 'none', 'ink', 12, { mark: shifted && nth === 2 ? 'shifted' : 'leaf' }),
      path(whole, 'none', 'metal', 9),
      ...(cut
        ? [
            line(x + half * 0.45, y - 22, x + half * 0.5, y + 34, 'paper', 6, 'break'),
            line(x + half * 0.44, y - 20, x + half * 0.49, y + 32, 'rust', 2),
          ]
        : []),
    ];
  };
  const shapes = [
    ...[4, 3, 2, 1, 0].flatMap(leaf),
    rect(160, 54, 40, 106, 'none', { stroke: 'ink', width: 7, r: 6 }),
    rect(12, 76, 26, 46, 'metal', { stroke: 'ink' }),
    rect(322, 76, 26, 46, 'metal', { stroke: 'ink' }),
    ...(codes.includes('joint-rust') ? [path('M326 118q8 34 -2 58', 'none', 'rust', 7, { mark: 'bleeds' })] : []),
  ];
  const said = [
    broken ? 'one leaf is broken' : '',
    main ? 'the main leaf is broken' : '',
    shifted ? 'a leaf stands out sideways' : '',
    codes.includes('joint-rust') ? 'rust bleeds from the hanger' : '',
  ].filter(Boolean);
  return drawing(
    shapes,
    said.length ? `In the spring pack ${said.join(', ')}.` : 'Five leaves in line, the hangers tight.',
  );
}

function drawAirBag({ codes }: LookScene): Drawing {
  const flat = codes.includes('air-bag-flat') || codes.includes('air-bag-body-down');
  const top = flat ? 124 : 60;
  const shapes = [
    rect(60, top - 26, 240, 22, 'metal', { stroke: 'ink', width: 2 }),
    flat
      ? path(`M110 ${top}q-24 24 0 46h140q24 -22 0 -46z`, 'rubber', 'ink', 2, { mark: 'flat' })
      : path(`M116 ${top}q-34 54 0 110h128q34 -56 0 -110z`, 'rubber', 'ink', 2, { mark: 'full' }),
    rect(90, 170, 180, 20, 'metal', { stroke: 'ink', width: 2 }),
    ...(codes.includes('air-bag-body-down') ? [rect(60, top - 34, 240, 8, 'red', { mark: 'down' })] : []),
    ...(codes.includes('air-bag-crinkled')
      ? [90, 112, 134].map((y) => path(`M106 ${y}q20 8 40 0t40 0t40 0t28 0`, 'none', 'soft', 2, { mark: 'crinkle' }))
      : []),
    ...(codes.includes('air-bag-cord')
      ? [path('M196 96l34 10M194 104l34 10M198 88l30 10', 'none', 'shiny', 2, { mark: 'cord' })]
      : []),
    path(codes.includes('ride-valve') ? 'M300 60l22 40l-22 30l24 40' : 'M310 56V176', 'none', 'edge', 5, {
      mark: codes.includes('ride-valve') ? 'bent' : 'link',
    }),
  ];
  const said = [
    flat ? 'flat' : 'full',
    codes.includes('air-bag-body-down') ? 'the body rests on it' : '',
    codes.includes('air-bag-crinkled') ? 'crinkled' : '',
    codes.includes('air-bag-cord') ? 'cord shows' : '',
    codes.includes('ride-valve') ? 'the link of its valve is bent' : '',
  ].filter(Boolean);
  return drawing(shapes, `The air bag: ${said.join(', ')}.`);
}

function drawDrum({ codes }: LookScene): Drawing {
  const blue = codes.includes('drum-blue') || codes.includes('brake-dragging');
  const shapes = [
    circle(180, 118, 112, 'metal', { stroke: 'ink', width: 2 }),
    circle(180, 118, 96, blue ? 'blue' : 'edge', { stroke: 'ink', width: 2, mark: blue ? 'blue' : 'plain' }),
    path('M112 84A76 76 0 0 1 248 84', 'none', 'lining', 18),
    path('M112 152A76 76 0 0 0 248 152', 'none', 'lining', 18),
    circle(180, 118, 36, 'night', { stroke: 'ink', width: 2 }),
    ...(codes.includes('drum-cracked')
      ? [path('M252 60l-10 18 8 14 -14 20', 'none', 'night', 3, { mark: 'crack' })]
      : []),
    ...(codes.includes('brake-dragging')
      ? [80, 280].map((x) => path(`M${x} 40q8 -10 0 -20q-8 -8 2 -16`, 'none', 'red', 4, { mark: 'heat' }))
      : []),
    ...(codes.includes('extinguisher-powder')
      ? [
          path('M110 60q30 -20 60 0q40 -16 60 10q-60 20 -120 -10z', 'white', 'none', 0, {
            mark: 'powder',
            opacity: 0.9,
          }),
        ]
      : []),
    ...(codes.includes('metal-on-metal')
      ? [path('M118 84l30 -22M124 92l30 -22', 'none', 'shiny', 3, { mark: 'scored' })]
      : []),
  ];
  const said = [
    codes.includes('brake-dragging') ? 'hot, and the wheel does not turn free' : '',
    blue ? 'blue from heat' : '',
    codes.includes('drum-cracked') ? 'a crack through the face' : '',
    codes.includes('extinguisher-powder') ? 'powder of an extinguisher' : '',
    codes.includes('metal-on-metal') ? 'scored bright by metal' : '',
  ].filter(Boolean);
  return drawing(
    shapes,
    said.length
      ? `The drum through its hole: ${said.join(', ')}.`
      : 'The drum through its hole: smooth, dry, no color.',
  );
}

function drawJaws({ codes }: LookScene, light: boolean): Drawing {
  const open = codes.includes('jaws-open');
  const gap = codes.includes('plate-gap') ? 18 : 0;
  const shapes: Shape[] = [
    rect(20, 30, 320, 26, 'metal', { stroke: 'ink', width: 2 }),
    rect(20, 56 + gap, 320, 30, 'edge', { stroke: 'ink', width: 2 }),
    ...(gap ? [rect(20, 56, 320, gap, 'white', { mark: 'daylight' })] : []),
    rect(160, 56, 40, 110, 'shiny', { stroke: 'ink', width: 2, r: 8, mark: 'pin' }),
    open
      ? path('M120 120q-24 30 -10 70l26 -6q-12 -32 6 -52z', 'metal', 'ink', 2, { mark: 'open' })
      : path('M156 112q-20 34 0 66l20 -4v-58z', 'metal', 'ink', 2, { mark: 'closed' }),
    open
      ? path('M240 120q24 30 10 70l-26 -6q12 -32 -6 -52z', 'metal', 'ink', 2)
      : path('M204 112q20 34 0 66l-20 -4v-58z', 'metal', 'ink', 2),
    ...(light ? [] : [rect(0, 90, 360, 150, 'night', { opacity: 0.97, mark: 'dark' })]),
    rect(300, 200, 44, 12, 'amber', { stroke: 'ink', r: 4, mark: 'handle' }),
    text(322, 228, 'handle in', { size: 11, fill: light ? 'soft' : 'white' }),
  ];
  const inside = light
    ? open
      ? 'the jaws stand open beside the pin'
      : 'the jaws are closed around the pin'
    : 'dark inside: nothing visible without a flashlight';
  return drawing(
    shapes,
    `Under the plate: ${inside}; the handle is in${gap ? '; daylight between plate and fifth wheel' : ''}.`,
  );
}

/** Draws what is looked at by eye alone. */
export function drawLook(scene: LookScene, { light }: View): Drawing {
  if (scene.kind === 'hose') return drawHose(scene);
  if (scene.kind === 'spring') return drawSpring(scene);
  if (scene.kind === 'air-bag') return drawAirBag(scene);
  return scene.kind === 'drum' ? drawDrum(scene) : drawJaws(scene, light);
}
