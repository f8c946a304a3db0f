import { buildApplication } from './set-up/build.mjs';
import { runScript } from './set-up/fault.mjs';
import { checkNodeVersion } from './set-up/node-version.mjs';
import { installPackages } from './set-up/packages.mjs';
import { serverOptions } from './set-up/server-options.mjs';
import { serve } from './set-up/serve.mjs';

// The same server without demo data: an empty book stays empty.
await runScript(async () => {
  checkNodeVersion();
  const options = await serverOptions();
  await installPackages();
  await buildApplication();
  serve(options);
});
