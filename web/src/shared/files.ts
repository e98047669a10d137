/** The multipart body of a file; the generated type only knows its text form. */
export function fileBody(file: File) {
  const form = new FormData();
  form.append('file', file);
  return { body: form as never, bodySerializer: (body: unknown) => body as FormData };
}
