export { GearRoute as default } from '@/features/lazy';
