// The bundler loads what several parts share with every page, the door's too. Here it goes to the parts themselves: the
// door stays as small as it is, and whoever comes in fetches one file.
import { createHash } from 'node:crypto';
import { readdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';

const AT = '_expo/static/js/web';

/** Takes the shared file off the page in `dist` and puts it before each part that the page's own script fetches. */
export function shareOut(dist) {
  const folder = join(dist, AT);
  const page = join(dist, 'index.html');
  const names = readdirSync(folder);
  const named = (start) => names.find((name) => name.startsWith(start) && name.endsWith('.js'));
  const read = (name) => readFileSync(join(folder, name), 'utf8');
  const [entry, common] = [named('entry-'), named('__common-')];
  if (!entry || !common) throw new Error('the bundler cuts its files otherwise than before: look at parts.mjs');

  /** Writes a file anew, under a name after its new contents. */
  const renamed = (name, text) => {
    const hash = createHash('md5').update(text).digest('hex');
    const now = name.replace(/-[0-9a-f]{32}\.js$/, `-${hash}.js`);
    rmSync(join(folder, name));
    writeFileSync(join(folder, now), text);
    return now;
  };
  let text = read(entry);
  const shared = read(common);
  for (const name of names.filter((each) => each.endsWith('.js') && each !== entry && text.includes(`/${each}`)))
    text = text.replaceAll(name, renamed(name, `${shared}\n${read(name)}`));
  const html = readFileSync(page, 'utf8').replace(new RegExp(`<script src="/${AT}/${common}" defer></script>`), '');
  if (html.includes(common)) throw new Error('the page still names what its parts share');
  writeFileSync(page, html.replaceAll(entry, renamed(entry, text)));
  rmSync(join(folder, common));
}
