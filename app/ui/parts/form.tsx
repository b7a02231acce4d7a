/**
 * Forms in React Hook Form: what is typed is checked by a Zod schema, what is wrong is said at its field, and Enter
 * sends.
 */
import { zodResolver } from '@hookform/resolvers/zod';
import Box from '@mui/material/Box';
import Checkbox from '@mui/material/Checkbox';
import FormControlLabel from '@mui/material/FormControlLabel';
import TextField, { type TextFieldProps } from '@mui/material/TextField';
import type { ReactNode } from 'react';
import {
  Controller,
  FormProvider,
  useForm,
  useFormContext,
  type DefaultValues,
  type FieldValues,
  type Path,
  type SubmitHandler,
  type UseFormReturn,
} from 'react-hook-form';
import type { z } from 'zod';

/** `values` are what the fields begin with; they are checked with every key, so that a button can follow. */
export function useCheckedForm<T extends FieldValues>(
  schema: z.ZodType<T, T>,
  values: T,
): UseFormReturn<T, unknown, T> {
  return useForm<T, unknown, T>({
    resolver: zodResolver(schema),
    defaultValues: values as DefaultValues<T>, // the library asks for every part to be optional
    mode: 'onChange',
  });
}

/** `id` lets a button outside of the form send it. */
export function Form<T extends FieldValues>({
  id,
  form,
  onSend,
  children,
}: {
  id: string;
  form: UseFormReturn<T, unknown, T>;
  onSend: SubmitHandler<T>;
  children: ReactNode;
}) {
  return (
    <FormProvider {...form}>
      <Box component="form" id={id} noValidate onSubmit={(event) => void form.handleSubmit(onSend)(event)}>
        {children}
      </Box>
    </FormProvider>
  );
}

/** A field of text, or with `select` and its items one to choose from. */
export function FormField<T extends FieldValues>({
  name,
  helperText,
  ...rest
}: Omit<TextFieldProps, 'name' | 'value' | 'onChange' | 'onBlur' | 'error'> & { name: Path<T> }) {
  const { control } = useFormContext<T>();
  return (
    <Controller
      name={name}
      control={control}
      render={({ field: { ref, ...field }, fieldState: { error } }) => (
        <TextField
          size="small"
          {...rest}
          {...field}
          inputRef={ref}
          error={error !== undefined}
          helperText={error?.message ?? helperText}
        />
      )}
    />
  );
}

export function FormCheck<T extends FieldValues>({ name, label }: { name: Path<T>; label: string }) {
  const { control } = useFormContext<T>();
  return (
    <Controller
      name={name}
      control={control}
      render={({ field: { value, ref, ...field } }) => (
        <FormControlLabel
          control={<Checkbox size="small" {...field} slotProps={{ input: { ref } }} checked={Boolean(value)} />}
          label={label}
        />
      )}
    />
  );
}

/** Several of a list, each by a box of its own; the value holds those that are ticked, in the order of the list. */
export function FormChecks<T extends FieldValues>({
  name,
  label,
  choices,
}: {
  name: Path<T>;
  label: string;
  choices: readonly { value: string; says: string }[];
}) {
  const { control } = useFormContext<T>();
  return (
    <Controller
      name={name}
      control={control}
      render={({ field: { value, onChange } }) => {
        const ticked: readonly string[] = value;
        const set = (one: string, on: boolean) =>
          onChange(choices.map((choice) => choice.value).filter((each) => (each === one ? on : ticked.includes(each))));
        return (
          <Box role="group" aria-label={label} sx={{ display: 'flex' }}>
            {choices.map((choice) => (
              <FormControlLabel
                key={choice.value}
                label={choice.says}
                control={
                  <Checkbox
                    size="small"
                    checked={ticked.includes(choice.value)}
                    onChange={(_event, on) => set(choice.value, on)}
                  />
                }
              />
            ))}
          </Box>
        );
      }}
    />
  );
}
