export { PracticeRoute as default } from '@/features/lazy';
