const { borderRadius, spacing } = require('tailwindcss/defaultTheme');
const plugin = require('tailwindcss/plugin');
const tokens = require('./src/look/tokens.json');

const names = Object.keys(tokens.light);
const variables = (theme) => Object.fromEntries(names.map((name) => [`--${name}`, tokens[theme][name]]));

/** The letters follow the size a person reads by; the room around them stays, so that more of them fit. */
const inPixels = (scale) =>
  Object.fromEntries(
    Object.entries(scale).map(([key, size]) => [
      key,
      size.endsWith('rem') ? `${Number.parseFloat(size) * 16}px` : size,
    ]),
  );

module.exports = {
  content: ['./src/**/*.{ts,tsx}'],
  presets: [require('nativewind/preset')],
  darkMode: 'class',
  theme: {
    extend: {
      colors: Object.fromEntries(names.map((name) => [name, `var(--${name})`])),
      spacing: inPixels(spacing),
      borderRadius: inPixels(borderRadius),
      fontFamily: { words: ['Hyperlegible', 'sans-serif'], reading: ['Hyperlegible Mono', 'monospace'] },
      fontSize: {
        small: ['0.9375rem', '1.25rem'],
        body: ['1.0625rem', '1.5rem'],
        lead: ['1.25rem', '1.625rem'],
        title: ['1.625rem', '2rem'],
        reading: ['1.875rem', '2.25rem'],
        huge: ['2.5rem', '3rem'],
      },
    },
  },
  plugins: [plugin(({ addBase }) => addBase({ ':root': variables('light'), ':root.dark': variables('dark') }))],
};
