export { GearRoute as default } from '@/screens/lazy';
