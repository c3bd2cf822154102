// npm run quality: installs what is missing, then holds findings against people's labels.
import { join } from 'node:path';
import { ensurePackages, ROOT, run } from './install.mjs';

ensurePackages();
run(process.execPath, [
	'--import',
	'tsx',
	join(ROOT, 'bench', 'quality.ts'),
	...process.argv.slice(2)
]);
