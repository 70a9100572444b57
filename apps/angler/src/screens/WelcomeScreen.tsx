import { useMutation, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { Controller, useForm } from 'react-hook-form';
import { ScrollView, View } from 'react-native';
import { TextInput } from 'react-native-paper';
import { Action } from '@/components/Action';
import { Icon } from '@/components/icon/Icon';
import { Words } from '@/components/Words';
import { api } from '@/data/api';
import { remember } from '@/data/session';
import { usePalette } from '@/theme/theme';

interface Fields {
  email: string;
  password: string;
  name: string;
}

/** The door: the demo by one tap, or an account. */
export function WelcomeScreen({ demo }: { demo: boolean }) {
  const palette = usePalette();
  const client = useQueryClient();
  const [isNew, setNew] = useState(false);
  const { control, handleSubmit, formState } = useForm<Fields>({ defaultValues: { email: '', password: '', name: '' } });
  const entering = useMutation({
    mutationFn: (enter: () => ReturnType<typeof api.session>) => enter(),
    onSuccess: (session) => client.setQueryData(['session'], remember(session)),
  });
  const submit = handleSubmit(({ email, password, name }) => entering.mutate(() => (isNew ? api.register(email, password, name) : api.signIn(email, password))));
  const field = (name: keyof Fields, label: string, rules: { required: string; minLength?: { value: number; message: string } }) => (
    <Controller
      control={control}
      name={name}
      rules={rules}
      render={({ field: { value, onChange, onBlur } }) => (
        <View>
          <TextInput
            mode="outlined"
            label={label}
            accessibilityLabel={label}
            value={value}
            onChangeText={onChange}
            onBlur={onBlur}
            secureTextEntry={name === 'password'}
            autoCapitalize="none"
            inputMode={name === 'email' ? 'email' : 'text'}
            error={Boolean(formState.errors[name])}
            onSubmitEditing={() => void submit()}
          />
          {formState.errors[name] ? <Words tone="straw">{formState.errors[name].message}</Words> : null}
        </View>
      )}
    />
  );
  return (
    <ScrollView
      role="main"
      style={{ backgroundColor: palette.ground }}
      contentContainerStyle={{ flexGrow: 1, justifyContent: 'center', padding: 24, gap: 20, maxWidth: 460, width: '100%', alignSelf: 'center' }}
    >
      <Icon name="hole" size={72} color={palette.ember} />
      <View style={{ gap: 8 }}>
        <Words heading={1} size="title">
          Vivid Burrow
        </Words>
        <Words tone="second">Reads the water under the ice: when to go, where to drill, how deep to hang it, what to do with the mark that came up and would not bite.</Words>
      </View>
      {demo ? <Action kind="main" height={64} label="Enter the demo" onPress={() => entering.mutate(api.enterDemo)} /> : null}
      <View style={{ gap: 12 }}>
        {isNew ? field('name', 'Name', { required: 'Expected a name' }) : null}
        {field('email', 'E-mail', { required: 'Expected an e-mail address' })}
        {field('password', 'Password', { required: 'Expected a password', ...(isNew ? { minLength: { value: 10, message: 'Expected at least 10 characters' } } : {}) })}
        <Action kind={demo ? 'plain' : 'main'} label={isNew ? 'Make an account' : 'Sign in'} disabled={entering.isPending} onPress={() => void submit()} />
        <Action kind="bare" label={isNew ? 'I have an account' : 'I am new here'} onPress={() => setNew(!isNew)} />
      </View>
      <View aria-live="assertive">{entering.error ? <Words tone="straw">{entering.error.message}</Words> : null}</View>
      <Words size="small" tone="second">
        It never says that ice is safe. Measure, and ask those who know the water.
      </Words>
    </ScrollView>
  );
}
