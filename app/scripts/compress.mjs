import { readdirSync, readFileSync, statSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { brotliCompressSync, gzipSync } from 'node:zlib';

/** Every file below a folder. */
export const walk = (folder) =>
  readdirSync(folder).flatMap((name) => {
    const path = join(folder, name);
    return statSync(path).isDirectory() ? walk(path) : [path];
  });

/** Compresses what is served, once here rather than at every request. */
export function compressAll(folder) {
  for (const path of walk(folder).filter((each) => /\.(js|css|html|svg|webmanifest)$/.test(each))) {
    const plain = readFileSync(path);
    writeFileSync(`${path}.br`, brotliCompressSync(plain));
    writeFileSync(`${path}.gz`, gzipSync(plain, { level: 9 }));
  }
}
