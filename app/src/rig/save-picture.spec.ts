import { standalone } from './save-picture';

describe('a picture of the diagram', () => {
  it('stands alone: styles written in, paper behind it, a margin around it', async () => {
    const host = document.createElement('div');
    host.innerHTML = `<style>.bar { stroke: rgb(10, 20, 30); }</style>
      <svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 100 50"><path class="bar" tabindex="0" d="M0 0h9"/><path class="corner" d="M0 0h9"/></svg>`;
    document.body.append(host);
    const copy = standalone(host.querySelector('svg')!);
    host.remove();
    expect(copy.getAttribute('viewBox')).toBe('-24 -24 148 98');
    const [paper, bar, ...more] = [...copy.children] as SVGElement[];
    expect(more).toEqual([]);
    expect(paper?.tagName).toBe('rect');
    expect(bar?.style.stroke).toBe('rgb(10, 20, 30)');
    expect(bar?.hasAttribute('tabindex')).toBeFalse();
    const image = new Image();
    image.src = `data:image/svg+xml,${encodeURIComponent(new XMLSerializer().serializeToString(copy))}`;
    await image.decode();
    expect([image.naturalWidth, image.naturalHeight]).toEqual([148, 98]);
  });
});
