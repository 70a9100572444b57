import { createTransport, type Transporter } from 'nodemailer';

/** Sends mail by the server that the settings name; without one it says that it cannot. */
export class Mailer {
  private readonly transport: Transporter | null;

  /** @param url smtp:// or smtps:// with name and password; null for no mail */
  constructor(
    url: string | null,
    private readonly from: string,
  ) {
    this.transport = url === null ? null : createTransport(url, { connectionTimeout: 8000, greetingTimeout: 8000, socketTimeout: 15_000 } as object);
  }

  get isThere(): boolean {
    return this.transport !== null;
  }

  async send(to: string, subject: string, text: string): Promise<void> {
    await this.transport?.sendMail({ from: this.from, to, subject, text });
  }
}
