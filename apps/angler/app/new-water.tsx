export { NewWaterRoute as default } from '@/screens/lazy';
