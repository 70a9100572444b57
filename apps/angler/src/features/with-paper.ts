/** What is made with Paper, in one piece: in pieces of their own these would share the library, and what pieces share is loaded with the first page. */
export { default as AccountForm } from './account/AccountForm';
export { default as Field } from '@/ui/Field';
export { default as UndoSnackbar } from '@/ui/UndoSnackbar';
