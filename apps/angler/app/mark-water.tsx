export { MarkWaterRoute as default } from '@/features/lazy';
