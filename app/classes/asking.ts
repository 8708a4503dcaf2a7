import { useSubmit } from 'react-router';

/** Asks something of a class; the page stays where it is. */
export function useAsking(classId: string): (fields: Record<string, string>) => void {
  const submit = useSubmit();
  return (fields) => void submit({ classId, ...fields }, { method: 'post', preventScrollReset: true });
}
