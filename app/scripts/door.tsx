import { Suspense } from 'react';
import { renderToString } from 'react-dom/server';
import { StyleSheet, View } from 'react-native';
import Layout from '../src/app/_layout';

// The program's own outermost box.
const frame = StyleSheet.create({ whole: { flex: 1 } });

/** What every page shows before its scripts have come: the sign-in as the program itself first draws it, and its styles. */
export function drawDoor(): { door: string; styles: string } {
  const door = renderToString(
    <View style={frame.whole}>
      <Suspense>
        <Layout />
      </Suspense>
    </View>,
  );
  // React Native for the web has this beside what its types of React Native tell.
  const sheets = StyleSheet as typeof StyleSheet & { getSheet: () => { textContent: string } };
  return { door, styles: sheets.getSheet().textContent };
}
