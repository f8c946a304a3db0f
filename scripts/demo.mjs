import { buildApplication } from './set-up/build.mjs';
import { runScript } from './set-up/fault.mjs';
import { checkNodeVersion } from './set-up/node-version.mjs';
import { installPackages } from './set-up/packages.mjs';
import { serverOptions } from './set-up/server-options.mjs';
import { serve } from './set-up/serve.mjs';

// Sets up, builds and serves the application; an empty book gets the demo rig at the first visit.
await runScript(async () => {
  checkNodeVersion();
  const options = await serverOptions();
  await installPackages();
  await buildApplication();
  serve([...options, '--demo', 'tern']);
});
