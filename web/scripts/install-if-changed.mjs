// Runs `npm ci` where the lock file is not the one that was installed last.
import { execFileSync } from 'node:child_process';
import { existsSync, readFileSync, writeFileSync } from 'node:fs';

for (const folder of ['.', 'api-types']) {
  const lock = readFileSync(`${folder}/package-lock.json`, 'utf8');
  const stamp = `${folder}/node_modules/.installed-lock`;
  if (existsSync(stamp) && readFileSync(stamp, 'utf8') === lock) continue;
  execFileSync('npm', ['ci', '--no-progress', '--loglevel', 'error'], { cwd: folder, stdio: 'inherit' });
  writeFileSync(stamp, lock);
}
