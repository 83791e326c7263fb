import { type ComponentType, useEffect, useState } from 'react';

type Program = typeof import('./program');
type ScreenName = { [K in keyof Program]: Program[K] extends ComponentType ? K : never }[keyof Program];

let program: Program | null = null;

/** Fetches the program's file, once. */
export async function fetchProgram(): Promise<Program> {
  program ??= await import('./program');
  return program;
}

/** The program once it is here: null until then, `lost` when it cannot be fetched. */
export function useProgram(wanted: boolean): Program | 'lost' | null {
  const [state, setState] = useState<Program | 'lost' | null>(program);
  useEffect(() => {
    if (wanted) fetchProgram().then(setState, () => setState('lost'));
  }, [wanted]);
  return state;
}

/** A screen of the program, as a route of its own. Routes stand inside of the program's frame: it is here by then. */
export const screen = (name: ScreenName): ComponentType =>
  function Screen() {
    const Its: ComponentType | undefined = program?.[name];
    return Its ? <Its /> : null;
  };
