// Words and controls that lie over one another although neither holds the other: pairs, in words.
// Words are taken by the lines they come out in, without the room that type leaves above and below;
// what is scrolled or cut away doesn't count.
() => {
  const shown = (el) => {
    if (!el.checkVisibility()) return false;
    const style = getComputedStyle(el);
    const aside = ".visually-hidden, [aria-hidden=true]:not(svg):not(svg *)";
    return style.visibility !== "hidden" && style.opacity !== "0" && !el.closest(aside);
  };
  const clipped = (start, rect) => {
    const box = {
      left: Math.max(rect.left, 0), right: Math.min(rect.right, innerWidth),
      top: rect.top, bottom: rect.bottom,
    };
    for (let up = start; up; up = up.parentElement) {
      if (up instanceof SVGElement && up.tagName !== "svg") {
        const cut = document.querySelector(`${/#[\w-]+/.exec(up.getAttribute("clip-path"))} rect`);
        if (cut) {
          const sheet = up.ownerSVGElement.getBoundingClientRect();
          const at = (name) => Number(cut.getAttribute(name));
          box.left = Math.max(box.left, sheet.left + at("x"));
          box.right = Math.min(box.right, sheet.left + at("x") + at("width"));
        }
        continue;
      }
      const style = getComputedStyle(up);
      const edge = up.getBoundingClientRect();
      if (style.overflowX !== "visible") {
        box.left = Math.max(box.left, edge.left);
        box.right = Math.min(box.right, edge.right);
      }
      if (style.overflowY !== "visible") {
        box.top = Math.max(box.top, edge.top);
        box.bottom = Math.min(box.bottom, edge.bottom);
      }
    }
    return box;
  };
  const boxes = [];
  const put = (el, said, box, spare) => {
    const high = (box.bottom - box.top) * spare;
    boxes.push({
      el, said, left: box.left + 1, right: box.right - 1,
      top: box.top + 1 + high, bottom: box.bottom - 1 - high,
    });
  };
  const walk = document.createTreeWalker(document.body, NodeFilter.SHOW_TEXT);
  for (let node = walk.nextNode(); node; node = walk.nextNode()) {
    const said = node.textContent.trim();
    const el = node.parentElement;
    if (!said || el.closest("script, style, option, sup, sub") || !shown(el)) continue;
    const range = document.createRange();
    range.selectNodeContents(node);
    for (const rect of range.getClientRects()) {
      put(el, said.slice(0, 30), clipped(el, rect), 0.2);
    }
  }
  for (const el of document.querySelectorAll("button, a[class], input, select, textarea, img")) {
    const unseen = ["file", "radio", "checkbox"].includes(el.type);
    if (unseen || el.closest("svg") || !shown(el)) continue;
    const said = (el.textContent || el.getAttribute("aria-label") || "").slice(0, 20);
    put(el, `<${el.tagName} ${said}>`, clipped(el.parentElement, el.getBoundingClientRect()), 0);
  }
  const there = boxes.filter((box) => box.right - box.left > 1 && box.bottom - box.top > 1);
  there.sort((a, b) => a.top - b.top);
  const found = new Set();
  there.forEach((a, i) => {
    for (const b of there.slice(i + 1)) {
      if (b.top >= a.bottom) break;
      if (a.el === b.el || a.el.contains(b.el) || b.el.contains(a.el)) continue;
      const across = Math.min(a.right, b.right) - Math.max(a.left, b.left);
      const down = Math.min(a.bottom, b.bottom) - Math.max(a.top, b.top);
      if (across > 1.5 && down > 1.5) found.add(`${a.said} over ${b.said}`);
    }
  });
  return [...found];
}
