export { CrewRoute as default } from '@/features/lazy';
