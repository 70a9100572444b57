const path = require('node:path');
const { getDefaultConfig } = require('expo/metro-config');

/** As lean as ours: without Paper's icon font, which would make the baseline heavier and the ratio kinder. */
const config = getDefaultConfig(__dirname);
const empty = path.join(__dirname, 'empty.js');
const replaced = ['@react-native-vector-icons/material-design-icons', '@expo/vector-icons/MaterialCommunityIcons', 'react-native-vector-icons/MaterialCommunityIcons'];
config.watchFolders = [path.resolve(__dirname, '../..')];
config.resolver.resolveRequest = (context, moduleName, platform) =>
  replaced.includes(moduleName) ? { type: 'sourceFile', filePath: empty } : context.resolveRequest(context, moduleName, platform);
module.exports = config;
