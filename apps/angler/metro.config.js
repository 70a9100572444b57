const path = require('node:path');
const { getDefaultConfig } = require('expo/metro-config');

const config = getDefaultConfig(__dirname);
const source = (file) => path.join(__dirname, 'src', file);

/** Modules of others that are replaced in the web bundle, and why. */
const replaced = {
  // Paper asks for an icon font of 468 KB; the few icons used are drawn from their SVG paths.
  '@react-native-vector-icons/material-design-icons': source('ui/icon/PaperIcon.tsx'),
  // The build for browsers, which does without Node's Buffer.
  'csv-parse/sync': require.resolve('csv-parse/browser/esm/sync'),
  // One kind of id is made here; the others bring their hashes along.
  uuid: source('shims/uuid.js'),
  '@expo/vector-icons/MaterialCommunityIcons': source('shims/empty.js'),
  'react-native-vector-icons/MaterialCommunityIcons': source('shims/empty.js'),
};

/** Parts of Zod that the phone has no use for: fifty languages (31 kB compressed), JSON Schema, and the compiler of schemas. */
const zodParts = {
  'locales/index.js': source('shims/zod-locales.js'),
  'core/json-schema-processors.js': source('shims/zod-json-schema.js'),
  './json-schema-processors.js': source('shims/zod-json-schema.js'),
  'to-json-schema.js': source('shims/zod-json-schema.js'),
  'json-schema-generator.js': source('shims/zod-json-schema.js'),
  'from-json-schema.js': source('shims/zod-json-schema.js'),
  'core/compile.js': source('shims/zod-compile.js'),
  './compile.js': source('shims/zod-compile.js'),
};

config.resolver.resolveRequest = (context, moduleName, platform) => {
  const target = replaced[moduleName];
  if (target) return { type: 'sourceFile', filePath: target };
  // react-native-web drops accessibilityState; this version of its `pick` maps it to aria-*.
  if (moduleName.endsWith('modules/pick') && context.originModulePath.includes('react-native-web')) {
    return { type: 'sourceFile', filePath: source('shims/pick.js') };
  }
  if (context.originModulePath.includes('/node_modules/zod/')) {
    const part = Object.keys(zodParts).find((end) => moduleName.endsWith(end));
    if (part) return { type: 'sourceFile', filePath: zodParts[part] };
  }
  return context.resolveRequest(context, moduleName, platform);
};

module.exports = config;
