const { getDefaultConfig } = require('expo/metro-config');
const { withNativeWind } = require('nativewind/metro');

const config = getDefaultConfig(__dirname);
const upstream = config.resolver.resolveRequest;
// Zod brings some fifty languages; the sentences people see are our own.
const isZodLocales = (context, name) =>
  /locales\/index\.js$/.test(name) && /[\\/]zod[\\/]/.test(context.originModulePath);
config.resolver.resolveRequest = (context, name, platform) =>
  isZodLocales(context, name) ? { type: 'empty' } : (upstream ?? context.resolveRequest)(context, name, platform);

module.exports = withNativeWind(config, { input: './src/look/global.css' });
