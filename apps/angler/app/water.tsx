export { WaterRoute as default } from '@/features/lazy';
