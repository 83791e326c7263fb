// Asks the registry what is known against the packages that ship: high and critical ones are a failure.
import { spawnSync } from 'node:child_process';
import { fileURLToPath } from 'node:url';

const GRAVE = ['high', 'critical'];

/** `ok` is null where the registry does not answer: then nothing is known, and that is said. */
export function auditPackages() {
  const { stdout } = spawnSync('npm', ['audit', '--omit=dev', '--json'], { encoding: 'utf8', timeout: 120_000 });
  let told;
  try {
    told = JSON.parse(stdout);
  } catch {
    told = {};
  }
  if (!told.vulnerabilities)
    return {
      ok: null,
      said: 'What is known against the packages that ship was not asked: the registry does not answer.',
    };
  const grave = Object.values(told.vulnerabilities).filter(({ severity }) => GRAVE.includes(severity));
  const named = grave.map(({ name, severity }) => `${name} (${severity})`).join(', ');
  return {
    ok: grave.length === 0,
    said: grave.length
      ? `Known against packages that ship: ${named}.`
      : 'Nothing grave is known against the packages that ship.',
  };
}

if (process.argv[1] === fileURLToPath(import.meta.url)) {
  const { ok, said } = auditPackages();
  console.log(said);
  process.exitCode = ok === false ? 1 : 0;
}
