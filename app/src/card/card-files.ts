import { Injectable } from '@angular/core';
import { cardDocument, type CardLook, type CardPage, type CodePicture } from '@heliarch/core/card';
import { fitOnPaper } from './fit-on-paper';

/** Cards as files: a page that needs nothing else, and a PDF, whose writer is fetched only when one is asked for. */
@Injectable()
export class CardFiles {
  async save(
    kind: 'pdf' | 'html',
    rigName: string,
    pages: readonly CardPage[],
    look: CardLook,
    code: CodePicture,
  ): Promise<void> {
    const blob = kind === 'pdf' ? await pdf(pages, look, code) : htmlOf(pages, look, code);
    const address = URL.createObjectURL(blob);
    const link = document.createElement('a');
    link.href = address;
    link.download = `${rigName.replace(/[^\p{L}\p{N}]+/gu, '-')}-card.${kind}`;
    link.click();
    URL.revokeObjectURL(address);
  }
}

function htmlOf(pages: readonly CardPage[], look: CardLook, code: CodePicture): Blob {
  return new Blob([cardDocument(pages, look, code, fitOnPaper(pages, look, code))], { type: 'text/html' });
}

async function pdf(pages: readonly CardPage[], look: CardLook, code: CodePicture): Promise<Blob> {
  const { cardPdf } = await import('./card-pdf');
  return cardPdf(pages, look, code);
}
