export { RigCardRoute as default } from '@/features/lazy';
