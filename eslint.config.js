import angular from 'angular-eslint';
import prettier from 'eslint-config-prettier';
import { defineConfig, globalIgnores } from 'eslint/config';
import tseslint from 'typescript-eslint';

/** Refuses imports of other parts of the house: the arrows run one way. */
const mayNotImport = (names, ...more) => ({
  'no-restricted-imports': [
    'error',
    {
      patterns: [
        {
          group: names,
          message:
            'core imports nothing; messages may import core, contract too, calendar and cli both; server and web never each other, nor cli.',
        },
        ...more,
      ],
    },
  ],
});

const PACKAGES = ['@oat-crock/*'];
/** What core may import nothing of. */
const OUTSIDE_CORE = [
  ...PACKAGES,
  '@angular/*',
  'node:*',
  'joi',
  'express',
  'rxjs',
  '**/contract/**',
  '**/cli/**',
  '**/server/**',
  '**/web/**',
];
/** What the page may import nothing of. */
const OUTSIDE_WEB = ['@oat-crock/server', '@oat-crock/cli', 'node:*', 'express', 'better-sqlite3', '**/server/src/**'];
/** The folders of core as a stair, from the lowest: each may import those before it, and none after it. */
const STAIR = [
  'random',
  'units',
  'messages',
  'amounts',
  'constants',
  'materials',
  'blend',
  'physics',
  'assimilate',
  'state',
  'environment',
  'stages',
  'safety',
  'forecast',
  'lots',
  'balance',
  'methods',
  'learn',
  'batch',
  'make',
  'larder',
  'follow',
  'teach',
  'cultures',
  'explain',
  'instruments',
  'schedule',
];
const stair = STAIR.map((folder, i) => ({
  files: [`core/src/${folder}/*.ts`],
  ignores: ['**/*.spec.ts'],
  rules: mayNotImport(OUTSIDE_CORE, {
    regex: `^\\.\\./(?!(${STAIR.slice(0, i + 1).join('|')})/)`,
    message: `${folder} may import what stands before it in STAIR (eslint.config), not after it.`,
  }),
}));

/**
 * The rooms of the page, each with what it may import beside itself. A place imports no other place; what several ask stands in
 * state, what several show in shared. Tests may bring places together.
 */
const WEB_ROOMS = {
  engine: [],
  'shared/{ui,pour,paper}': ['../../engine/', '../ui/'],
  state: ['../engine/', '../shared/ui/'],
  'shared/{learned,log,records,tasks}': ['../../engine/', '../../state/', '../ui/', '../paper/'],
  planner: ['../engine/', '../shared/', '../state/'],
  'places/*': ['../../engine/', '../../shared/', '../../state/', '../../planner/'],
  shell: ['../engine/', '../shared/', '../state/'],
};
const webRooms = Object.entries(WEB_ROOMS).map(([room, others]) => ({
  files: [`web/src/app/${room}/*.ts`],
  ignores: ['**/*.spec.ts'],
  rules: mayNotImport(OUTSIDE_WEB, {
    regex: `^(?!${others.map((path) => path.replaceAll('.', '\\.')).join('|') || 'nothing'})\\.\\./`,
    message: `${room} may import ${others.join(' and ') || 'nothing'} beside itself (WEB_ROOMS in eslint.config).`,
  }),
}));

/** The machine's clock and zone are asked in one file a side; everything else is handed the kitchen's. */
const KITCHEN_TIME = 'Ask the kitchen’s clock, and the household’s zone (calendar/).';
const LOCAL_FIELDS =
  '/^(get|set)(Hours|Minutes|Seconds|Milliseconds|Day|Date|Month|FullYear)$|^toLocale(Date|Time)String$/';
const asksNoMachine = (...more) => ({
  'no-restricted-properties': ['error', { object: 'Date', property: 'now', message: KITCHEN_TIME }],
  'no-restricted-syntax': [
    'error',
    { selector: "NewExpression[callee.name='Date'][arguments.length!=1]", message: KITCHEN_TIME },
    { selector: `CallExpression > MemberExpression.callee > Identifier[name=${LOCAL_FIELDS}]`, message: KITCHEN_TIME },
    ...more,
  ],
});
const ID_OF_NOW = { selector: "CallExpression[callee.name='ulid'][arguments.length=0]", message: KITCHEN_TIME };

export default defineConfig(
  globalIgnores(['**/dist/', '**/node_modules/', '.angular/', 'test-results/', 'data/']),
  {
    files: ['**/*.ts'],
    extends: [tseslint.configs.recommended, tseslint.configs.stylistic, prettier],
    languageOptions: { parser: tseslint.parser },
    rules: {
      '@typescript-eslint/no-non-null-assertion': 'off',
      '@typescript-eslint/consistent-type-imports': ['error', { fixStyle: 'inline-type-imports' }],
      'max-lines': ['error', { max: 350, skipBlankLines: true, skipComments: true }],
      eqeqeq: 'error',
      'no-console': 'error',
    },
  },
  // Written by `npm run figures` and `npm run messages`: tables, a line a figure, a thing that is told, or a text.
  { files: ['core/src/testing/{figures,book}.ts', 'core/src/messages/keys.ts'], rules: { 'max-lines': 'off' } },
  {
    files: ['core/src/**/*.ts'],
    ignores: ['**/*.spec.ts'],
    rules: mayNotImport(OUTSIDE_CORE),
  },
  ...stair,
  {
    files: ['core/src/**/*.ts'],
    ignores: ['**/*.spec.ts'],
    rules: {
      'no-restricted-globals': ['error', 'window', 'document', 'process', 'fetch', 'performance', 'setTimeout', 'Date'],
      'no-restricted-properties': ['error', { object: 'Math', property: 'random', message: 'Chance is handed in.' }],
    },
  },
  {
    files: ['{messages,contract,calendar,cli}/src/**/*.ts'],
    ignores: ['cli/src/{main,stdio}.ts'],
    rules: mayNotImport([
      '@oat-crock/server',
      '@oat-crock/web',
      '@angular/*',
      'node:*',
      'express',
      '**/server/**',
      '**/web/**',
    ]),
  },
  {
    files: ['{calendar,cli,contract,messages,server,web}/src/**/*.ts'],
    ignores: ['server/src/time/machine.ts', 'web/src/app/engine/device.ts', '**/testing/**', '**/*.spec.ts'],
    rules: asksNoMachine(ID_OF_NOW),
  },
  {
    files: ['{calendar,cli,contract,server,web}/src/**/{testing/*,*.spec}.ts'],
    ignores: ['web/src/app/engine/device.spec.ts'],
    rules: asksNoMachine(),
  },
  // A test that names a fixture has it set up, whether it asks it anything or not.
  { files: ['e2e/**/*.ts'], rules: { '@typescript-eslint/no-unused-vars': ['error', { args: 'none' }] } },
  {
    files: ['server/src/**/*.ts'],
    rules: mayNotImport(['@oat-crock/web', '@oat-crock/cli', '@angular/*', '**/web/src/**']),
  },
  {
    files: ['web/src/**/*.ts'],
    extends: [angular.configs.tsRecommended],
    processor: angular.processInlineTemplates,
    rules: mayNotImport(OUTSIDE_WEB),
  },
  ...webRooms,
  {
    files: ['web/src/main.ts'],
    rules: { 'no-console': 'off' },
  },
  {
    files: ['web/src/**/*.html'],
    extends: [angular.configs.templateRecommended, angular.configs.templateAccessibility],
  },
);
