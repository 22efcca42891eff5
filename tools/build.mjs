// npm run build: the server and the web application, where their sources changed.
import { buildChanged } from './lib/build.mjs';
import { npmPackages } from './lib/install.mjs';

await npmPackages();
await buildChanged();
