/** How a file is offered: under its name, whatever signs that has, and under one that every header carries. */
export function fileNamed(how: 'attachment' | 'inline', name: string): string {
  const own = name.replace(/[^\p{L}\p{N}._-]+/gu, '-').replace(/^[.-]+/, '') || 'file';
  const plain = own.replace(/[^\w.-]/g, '_');
  return `${how}; filename="${plain}"; filename*=UTF-8''${encodeURIComponent(own)}`;
}
