import PDFDocument from 'pdfkit';

/** A PDF with a word on each page, in a face that is not part of the file. */
export async function pdfOf(words: readonly string[], password?: string): Promise<Buffer> {
  const made = new PDFDocument({ size: 'A4', ...(password ? { userPassword: password } : {}) });
  const parts: Buffer[] = [];
  made.on('data', (part: Buffer) => parts.push(part));
  const ended = new Promise((done) => made.on('end', done));
  words.forEach((word, i) => {
    if (i > 0) made.addPage();
    made.font('Helvetica-Bold').fontSize(90).text(word, 60, 80);
    made.rect(60, 300, 300, 200).fill('#c0392b');
  });
  made.end();
  await ended;
  return Buffer.concat(parts);
}
