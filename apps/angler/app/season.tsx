export { SeasonRoute as default } from '@/features/lazy';
