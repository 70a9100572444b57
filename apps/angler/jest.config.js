module.exports = {
  displayName: 'app',
  preset: 'jest-expo/web',
  roots: ['<rootDir>/test'],
  testMatch: ['**/*.test.ts', '**/*.test.tsx'],
  setupFiles: ['<rootDir>/test/setup.js'],
  moduleNameMapper: {
    '^@/workers/spawn$': '<rootDir>/test/inline-workers.ts',
    '^@/(.*)$': '<rootDir>/src/$1',
    '^@react-native-vector-icons/material-design-icons$': '<rootDir>/src/components/icon/PaperIcon.tsx',
  },
};
