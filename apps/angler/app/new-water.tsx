export { NewWaterRoute as default } from '@/features/lazy';
