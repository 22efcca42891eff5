// Bundles the specs of some folders where it stands: what Stryker does in its copy before it runs them.
import { bundleSpecs } from '../build.mjs';

await bundleSpecs('mutate', process.argv.slice(2));
