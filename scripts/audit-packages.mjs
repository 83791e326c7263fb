// Asks the registry what is known against the packages that ship: high and critical ones are a failure.
import { execFile } from 'node:child_process';
import { fileURLToPath } from 'node:url';

const GRAVE = ['high', 'critical'];
const PATIENCE_MS = 120_000;

/** What npm told, whether or not it found something; nothing where the registry does not answer. */
const asked = () =>
  new Promise((resolve) => {
    execFile('npm', ['audit', '--omit=dev', '--json'], { timeout: PATIENCE_MS }, (_, stdout) => {
      try {
        resolve(JSON.parse(stdout).vulnerabilities ?? null);
      } catch {
        resolve(null);
      }
    });
  });

/** `ok` is null where the registry does not answer: then nothing is known, and that is said. */
export async function auditPackages() {
  const known = await asked();
  if (!known)
    return {
      ok: null,
      said: 'What is known against the packages that ship was not asked: the registry does not answer.',
    };
  const grave = Object.values(known).filter(({ severity }) => GRAVE.includes(severity));
  const named = grave.map(({ name, severity }) => `${name} (${severity})`).join(', ');
  return {
    ok: grave.length === 0,
    said: grave.length
      ? `Known against packages that ship: ${named}.`
      : 'Nothing grave is known against the packages that ship.',
  };
}

if (process.argv[1] === fileURLToPath(import.meta.url)) {
  const { ok, said } = await auditPackages();
  console.log(said);
  process.exitCode = ok === false ? 1 : 0;
}
