import MailComposer from 'nodemailer/lib/mail-composer/index.js';

/** Sending mail: what a real service would do is done by a stand-in, which keeps each mail as a file that mail programs open. */

export type Mail = {
  from: { name: string; address: string };
  to: string;
  subject: string;
  text: string;
  attachments: readonly { name: string; type: string; bytes: Uint8Array }[];
};

export interface Mailer {
  /**
   * @param id of the letter: one that is sent again under it after a crash is the same
   * @throws MailProblem where it can't be sent, and trying again would not help
   */
  send(id: string, mail: Mail): Promise<void>;
}

export class MailProblem extends Error {
  override name = 'MailProblem';
}

/** A mail as it goes over the wire: the bytes of an .eml file. */
export const emlOf = (id: string, { from, to, subject, text, attachments }: Mail): Promise<Buffer> =>
  new MailComposer({
    from,
    to,
    subject,
    text,
    messageId: `<${id}@letters.dappled-margin>`,
    attachments: attachments.map(({ name, type, bytes }) => ({
      filename: name,
      contentType: type,
      content: Buffer.from(bytes),
    })),
  })
    .compile()
    .build();

/** Sends nothing: gives each mail, as a file, to be kept and looked at. */
export class StandInMailer implements Mailer {
  constructor(private keep: (id: string, eml: Buffer) => Promise<void>) {}

  async send(id: string, mail: Mail): Promise<void> {
    await this.keep(id, await emlOf(id, mail));
  }
}
