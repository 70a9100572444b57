const { transform } = require('jest-expo/jest-preset');

const [babel, options] = transform['\\.[jt]sx?$'];
// Jest has no modules that come later: what the bundler splits off is required at once.
const script = [babel, { ...options, plugins: ['@babel/plugin-transform-dynamic-import'] }];

module.exports = {
  displayName: 'app',
  preset: 'jest-expo',
  roots: ['<rootDir>/test'],
  testMatch: ['**/*.test.ts', '**/*.test.tsx'],
  setupFiles: ['<rootDir>/test/setup.js'],
  transformIgnorePatterns: [
    '/node_modules/(?!((jest-)?react-native|@react-native|expo|@expo|uuid|d3-[a-z]+|internmap|flatbush|flatqueue|csv-parse|comlink|ml-[a-z-]+|is-any-array)([-/]|$))',
  ],
  // Libraries that come as .mjs too.
  transform: { ...transform, '\\.[jt]sx?$': script, '\\.mjs$': script },
  moduleNameMapper: {
    '^@/(.*)$': '<rootDir>/src/$1',
    '^@react-native-vector-icons/material-design-icons$': '<rootDir>/src/ui/icon/PaperIcon.tsx',
  },
};
