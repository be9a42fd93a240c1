export interface Option {
  value: string;
  name: string;
  /** A second line, smaller. */
  note?: string;
}

export interface ChoiceProps {
  label: string;
  value: string;
  options: Option[];
  onChange: (value: string) => void;
  problem?: string | undefined;
  /** What a search says that finds nothing. */
  none?: string;
  /** The member of the plan that it sets: what is missing leads here, and Enter in a search goes on from here. */
  member?: string;
}

/** What happened to the plain control whose place this takes. */
export interface Opened {
  before: { focused: boolean; opened: boolean };
}

export const choiceLook = {
  field: "py-0.5",
  row: "flex items-baseline gap-2",
  label: "shrink-0 font-tight text-sm",
  button:
    "min-h-7 min-w-0 flex-1 truncate border-b border-pencil text-right font-tight text-[15px] font-medium focus:bg-tint",
  input:
    "min-h-7 min-w-0 flex-1 border-b border-pencil bg-transparent text-right font-tight text-[15px] font-medium outline-none focus:bg-tint",
  list: "z-30 max-h-80 w-[272px] overflow-auto border border-ink bg-sheet py-1 [--anchor-gap:2px] focus:outline-none",
  option: "cursor-default px-2 py-1.5 text-sm data-focus:bg-tint data-selected:font-medium",
};
