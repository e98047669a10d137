// Generates src/api/schema.d.ts from the API description. The generator needs an older TypeScript than the
// application, so it lives in a workspace of its own.
import { execFileSync } from 'node:child_process';

execFileSync(
  'api-types/node_modules/.bin/openapi-typescript',
  ['../docs/openapi.json', '--output', 'src/api/schema.d.ts', '--alphabetize'],
  { stdio: ['ignore', 'ignore', 'inherit'] },
);
