export { FieldcraftRoute as default } from '@/screens/lazy';
