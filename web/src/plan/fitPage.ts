const PX_PER_MM = 96 / 25.4;
/** What both common papers leave between margins of 12 mm: as wide as the one, as high as the other. */
const PAPER = { width: 186, height: 254 };
const LEAST = 0.55;

/** fitPage finds how much smaller a sheet must be set to go on one page, and tells its style. */
export function fitPage(sheet: HTMLElement) {
  const padding = sheet.style.padding;
  const width = sheet.style.width;
  sheet.style.padding = "0";
  let zoom = 1;
  for (; zoom > LEAST; zoom -= 0.03) {
    sheet.style.width = `${PAPER.width / zoom}mm`;
    if (sheet.getBoundingClientRect().height * zoom <= PAPER.height * PX_PER_MM) break;
  }
  sheet.style.padding = padding;
  sheet.style.width = width;
  sheet.style.setProperty("--page-zoom", zoom.toFixed(2));
}
