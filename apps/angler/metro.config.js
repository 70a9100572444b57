const path = require('node:path');
const { getDefaultConfig } = require('expo/metro-config');

const config = getDefaultConfig(__dirname);
const source = (file) => path.join(__dirname, 'src', file);

/** Modules of others that are replaced in the web bundle, and why. */
const replaced = {
  // Paper asks for an icon font of 468 KB; the few icons used are drawn from their SVG paths.
  '@react-native-vector-icons/material-design-icons': source('components/icon/PaperIcon.tsx'),
  '@expo/vector-icons/MaterialCommunityIcons': source('shims/empty.js'),
  'react-native-vector-icons/MaterialCommunityIcons': source('shims/empty.js'),
};

config.resolver.resolveRequest = (context, moduleName, platform) => {
  const target = replaced[moduleName];
  if (target) return { type: 'sourceFile', filePath: target };
  // react-native-web drops accessibilityState; this version of its `pick` maps it to aria-*.
  if (moduleName.endsWith('modules/pick') && context.originModulePath.includes('react-native-web')) {
    return { type: 'sourceFile', filePath: source('shims/pick.js') };
  }
  return context.resolveRequest(context, moduleName, platform);
};

module.exports = config;
