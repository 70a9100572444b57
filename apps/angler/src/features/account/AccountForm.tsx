import { Controller, useForm } from 'react-hook-form';
import { View } from 'react-native';
import { Action } from '@/ui/Action';
import { Text } from '@/ui/Text';
import Field from '@/ui/Field';

/** Entering an account, making one, or setting a new password with a code. */
export type AccountMode = 'known' | 'new' | 'reset';

export interface AccountFields {
  email: string;
  password: string;
  name: string;
  code: string;
  invitation: string;
}

interface Props {
  mode: AccountMode;
  /** Whether an account is made by invitation alone. */
  isInvited?: boolean;
  busy: boolean;
  onSubmit: (fields: AccountFields) => void;
  /** Asks for a code for the address that was typed; only where a new password is set. */
  onAskCode?: (email: string) => void;
}

const required: Record<keyof AccountFields, string> = {
  name: 'Expected a name',
  email: 'Expected an e-mail address',
  password: 'Expected a password',
  code: 'Expected the code that you were given',
  invitation: 'Expected the code of an invitation',
};
const leastPassword = { minLength: { value: 10, message: 'Expected at least 10 characters' } };
const labels: Record<keyof AccountFields, string> = { name: 'Name', email: 'E-mail', password: 'Password', code: 'Code', invitation: 'Invitation' };
const fieldsOf: Record<AccountMode, (keyof AccountFields)[]> = { known: ['email', 'password'], new: ['name', 'email', 'password'], reset: ['email', 'code', 'password'] };
const submits: Record<AccountMode, string> = { known: 'Sign in', new: 'Make an account', reset: 'Set the new password' };

/** Signing in or up, or setting a new password. */
export default function AccountForm({ mode, isInvited, busy, onSubmit, onAskCode }: Props) {
  const { control, handleSubmit, formState, getValues, trigger } = useForm<AccountFields>({ defaultValues: { email: '', password: '', name: '', code: '', invitation: '' } });
  const submit = handleSubmit(onSubmit);
  const names = mode === 'new' && isInvited ? [...fieldsOf.new, 'invitation' as const] : fieldsOf[mode];
  return (
    <View style={{ gap: 12 }}>
      {names.map((name) => (
        <Controller
          key={name}
          control={control}
          name={name}
          rules={{ required: required[name], ...(mode !== 'known' && name === 'password' ? leastPassword : {}) }}
          render={({ field: { value, onChange, onBlur } }) => (
            <View>
              <Field
                label={mode === 'reset' && name === 'password' ? 'New password' : labels[name]}
                value={value}
                onChangeText={onChange}
                onBlur={onBlur}
                secureTextEntry={name === 'password'}
                autoCapitalize={name === 'code' || name === 'invitation' ? 'characters' : 'none'}
                inputMode={name === 'email' ? 'email' : 'text'}
                error={Boolean(formState.errors[name])}
                onSubmitEditing={() => void submit()}
              />
              {formState.errors[name] ? <Text tone="straw">{formState.errors[name].message}</Text> : null}
              {name === 'email' && onAskCode ? (
                <Action kind="bare" label="Send a code to this address" onPress={() => void trigger('email').then((isGiven) => isGiven && onAskCode(getValues('email').trim()))} />
              ) : null}
            </View>
          )}
        />
      ))}
      <Action kind="main" height={64} label={submits[mode]} disabled={busy} onPress={() => void submit()} />
    </View>
  );
}
