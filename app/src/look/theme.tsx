import { createContext, type ReactNode, useCallback, useContext, useEffect, useMemo, useState } from 'react';
import tokens from './tokens.json';

export type Theme = 'light' | 'dark';
export type ThemeChoice = Theme | 'device';
export type Palette = (typeof tokens)['light'];

const KEY = 'za-theme';
const DARK = '(prefers-color-scheme: dark)';

const Context = createContext<{ theme: Theme; choice: ThemeChoice; choose: (choice: ThemeChoice) => void }>({
  theme: 'light',
  choice: 'device',
  choose: () => undefined,
});

const deviceTheme = (): Theme => (globalThis.matchMedia?.(DARK).matches ? 'dark' : 'light');
const kept = (): ThemeChoice => {
  const chosen = globalThis.localStorage?.getItem(KEY);
  return chosen === 'light' || chosen === 'dark' ? chosen : 'device';
};

/** Light or dark, as chosen here or as the device asks for. */
export function ThemeProvider({ children }: { children: ReactNode }) {
  const [choice, setChoice] = useState<ThemeChoice>(kept);
  const [device, setDevice] = useState<Theme>(deviceTheme);
  const theme = choice === 'device' ? device : choice;

  useEffect(() => {
    const asked = matchMedia(DARK);
    const change = () => setDevice(deviceTheme());
    asked.addEventListener('change', change);
    return () => asked.removeEventListener('change', change);
  }, []);
  useEffect(() => {
    document.documentElement.classList.toggle('dark', theme === 'dark');
  }, [theme]);

  const choose = useCallback((next: ThemeChoice) => {
    if (next === 'device') localStorage.removeItem(KEY);
    else localStorage.setItem(KEY, next);
    setChoice(next);
  }, []);
  const value = useMemo(() => ({ theme, choice, choose }), [theme, choice, choose]);
  return <Context.Provider value={value}>{children}</Context.Provider>;
}

export const useTheme = () => useContext(Context);
/** The colours of the theme in use, for drawings; everything else takes them by class name. */
export const usePalette = (): Palette => tokens[useTheme().theme];
