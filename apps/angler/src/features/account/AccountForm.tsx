import { Controller, useForm } from 'react-hook-form';
import { View } from 'react-native';
import { Action } from '@/ui/Action';
import { Text } from '@/ui/Text';
import Field from '@/ui/Field';

export interface AccountFields {
  email: string;
  password: string;
  name: string;
}

interface Props {
  /** Whether an account is made rather than entered. */
  isNew: boolean;
  busy: boolean;
  onSubmit: (fields: AccountFields) => void;
}

const required = {
  name: { required: 'Expected a name' },
  email: { required: 'Expected an e-mail address' },
  password: { required: 'Expected a password' },
};
const leastPassword = { minLength: { value: 10, message: 'Expected at least 10 characters' } };
const labels: Record<keyof AccountFields, string> = { name: 'Name', email: 'E-mail', password: 'Password' };

/** Signing in or up. */
export default function AccountForm({ isNew, busy, onSubmit }: Props) {
  const { control, handleSubmit, formState } = useForm<AccountFields>({ defaultValues: { email: '', password: '', name: '' } });
  const submit = handleSubmit(onSubmit);
  const names: (keyof AccountFields)[] = isNew ? ['name', 'email', 'password'] : ['email', 'password'];
  return (
    <View style={{ gap: 12 }}>
      {names.map((name) => (
        <Controller
          key={name}
          control={control}
          name={name}
          rules={{ ...required[name], ...(isNew && name === 'password' ? leastPassword : {}) }}
          render={({ field: { value, onChange, onBlur } }) => (
            <View>
              <Field
                label={labels[name]}
                value={value}
                onChangeText={onChange}
                onBlur={onBlur}
                secureTextEntry={name === 'password'}
                autoCapitalize="none"
                inputMode={name === 'email' ? 'email' : 'text'}
                error={Boolean(formState.errors[name])}
                onSubmitEditing={() => void submit()}
              />

              {formState.errors[name] ? <Text tone="straw">{formState.errors[name].message}</Text> : null}
            </View>
          )}
        />
      ))}
      <Action kind="main" height={64} label={isNew ? 'Make an account' : 'Sign in'} disabled={busy} onPress={() => void submit()} />
    </View>
  );
}
