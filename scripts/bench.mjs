// npm run bench: installs what is missing, then times the core.
import { join } from 'node:path';
import { ensurePackages, ROOT, run } from './install.mjs';

ensurePackages();
run('npm', ['run', '--silent', 'sync']);
// one of them alone: npm run bench -- writing
const wanted = process.argv.slice(2);
for (const name of ['bench', 'writing', 'deliver'])
	if (wanted.length === 0 || wanted.includes(name))
		run(process.execPath, ['--expose-gc', '--import', 'tsx', join(ROOT, 'bench', `${name}.ts`)]);
