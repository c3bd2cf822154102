// npm run bench: installs what is missing, then times the core.
import { join } from 'node:path';
import { ensurePackages, ROOT, run } from './install.mjs';

ensurePackages();
run('npm', ['run', '--silent', 'sync']);
run(process.execPath, ['--expose-gc', '--import', 'tsx', join(ROOT, 'bench', 'bench.ts')]);
