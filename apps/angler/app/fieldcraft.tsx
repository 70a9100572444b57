export { FieldcraftRoute as default } from '@/features/lazy';
