import { ScrollViewStyleReset } from 'expo-router/html';
import type { ReactNode } from 'react';

/** The page every address begins with: drawn when the program is built, with the door in it. */
export default function Page({ children }: { children: ReactNode }) {
  return (
    <html lang="en">
      <head>
        <meta charSet="utf-8" />
        <meta name="viewport" content="width=device-width, initial-scale=1, viewport-fit=cover" />
        <title>Zealous Axle</title>
        <meta name="description" content="Measure, judge and repair fleet trailers" />
        <meta name="theme-color" content="#14524a" />
        <link rel="manifest" href="/manifest.webmanifest" />
        <link rel="icon" href="/mark.svg" type="image/svg+xml" />
        <link
          rel="preload"
          href="/fonts/atkinson-hyperlegible-next-latin-400-normal.woff2"
          as="font"
          type="font/woff2"
          crossOrigin=""
        />
        <ScrollViewStyleReset />
        <script src="/before.js" />
      </head>
      <body>
        <noscript>Zealous Axle needs JavaScript.</noscript>
        {children}
      </body>
    </html>
  );
}
