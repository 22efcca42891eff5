// Bundles core's specs where it stands: what Stryker does in its copy before it runs them.
import { bundleSpecs } from './lib/build.mjs';

await bundleSpecs('core', ['core']);
