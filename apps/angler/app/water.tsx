export { WaterRoute as default } from '@/screens/lazy';
