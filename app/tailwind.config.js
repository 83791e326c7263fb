const plugin = require('tailwindcss/plugin');
const tokens = require('./src/look/tokens.json');

const names = Object.keys(tokens.light);
const variables = (theme) => Object.fromEntries(names.map((name) => [`--${name}`, tokens[theme][name]]));

module.exports = {
  content: ['./src/**/*.{ts,tsx}'],
  presets: [require('nativewind/preset')],
  darkMode: 'class',
  theme: {
    extend: {
      colors: Object.fromEntries(names.map((name) => [name, `var(--${name})`])),
      fontFamily: { words: ['Hyperlegible', 'sans-serif'], reading: ['Hyperlegible Mono', 'monospace'] },
      fontSize: {
        small: ['15px', '20px'],
        body: ['17px', '24px'],
        lead: ['20px', '26px'],
        title: ['26px', '32px'],
        reading: ['30px', '36px'],
        huge: ['40px', '48px'],
      },
    },
  },
  plugins: [plugin(({ addBase }) => addBase({ ':root': variables('light'), ':root.dark': variables('dark') }))],
};
