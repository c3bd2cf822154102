// npm run --silent core -- VERB …: installs what is missing, then runs the core in Node.
import { spawnSync } from 'node:child_process';
import { join } from 'node:path';
import { ensurePackages, ROOT } from './install.mjs';

// the answer goes to standard output, so whatever the installer says must not
ensurePackages(['ignore', 2, 2]);
const done = spawnSync(
	process.execPath,
	['--import', 'tsx', join(ROOT, 'scripts', 'core-cli.ts'), ...process.argv.slice(2)],
	{
		stdio: 'inherit',
		env: { ...process.env, TSX_TSCONFIG_PATH: join(ROOT, 'tsconfig.core.json') }
	}
);
process.exit(done.status ?? 1);
