import { SvgIcon, type SvgIconProps } from "@mui/material";

/** The few icons there are, drawn with one thin line. */
function line(d: string) {
  return function Icon(props: SvgIconProps) {
    return (
      <SvgIcon {...props} viewBox="0 0 24 24" aria-hidden>
        <path d={d} fill="none" stroke="currentColor" strokeWidth="1.8" strokeLinecap="round" strokeLinejoin="round" />
      </SvgIcon>
    );
  };
}

export const StrandIcon = line("M4 5c0 17 16 17 16 0M12 17.800a2.200 2.200 0 1 0 .01 0M6.300 12.500a1.500 1.500 0 1 0 .01 0M17.700 12.500a1.500 1.500 0 1 0 .01 0");
export const UndoIcon = line("M9 7 4.500 11.500 9 16M5 11.500h9a5 5 0 0 1 0 10h-2");
export const RedoIcon = line("M15 7l4.500 4.500L15 16M19 11.500h-9a5 5 0 0 0 0 10h2");
export const DishIcon = line("M3 9h18l-3 9H6zM9 13.500a1 1 0 1 0 .01 0M14 12.500a1.200 1.200 0 1 0 .01 0");
export const KitIcon = line("M6 8.500h12l1.500 12h-15zM9 8.500V7a3 3 0 0 1 6 0v1.500M9.500 14.500a1 1 0 1 0 .01 0M14 13.500a1.300 1.300 0 1 0 .01 0");
export const HouseIcon = line("M3.500 11 12 4l8.500 7M6 9.500V20h12V9.500M10 20v-5.500h4V20");
