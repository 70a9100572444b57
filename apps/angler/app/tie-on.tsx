export { TieOnRoute as default } from '@/features/lazy';
