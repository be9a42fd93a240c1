import { useId } from "react";
import { choiceLook, type ChoiceProps } from "./choiceParts";
import { onDemand, useOnDemand } from "./onDemand";
import { Refused } from "./Refused";

export type { Option } from "./choiceParts";

const lists = onDemand(async () => ({
  ...(await import("./opened/ChoiceList")),
  ...(await import("./opened/SearchList")),
}));

/** One of a short list; the list is fetched when somebody first reaches for one. */
export function Choice(props: ChoiceProps) {
  const id = useId();
  const { parts, plain, before, near, open, openByKey } = useOnDemand<Lists, HTMLButtonElement>(lists);
  if (parts) return <parts.ChoiceList {...props} before={before} />;
  const { label, value, options, problem, member } = props;
  return (
    <div className={choiceLook.field}>
      <div className={choiceLook.row}>
        <label htmlFor={id} className={choiceLook.label}>
          {label}
        </label>
        <button
          ref={plain}
          id={id}
          data-member={member}
          type="button"
          aria-haspopup="listbox"
          aria-expanded={false}
          className={choiceLook.button}
          onPointerEnter={near}
          onFocus={near}
          onClick={open}
          onKeyDown={openByKey}
        >
          {options.find((o) => o.value === value)?.name ?? value}{" "}
          <span aria-hidden className="text-pencil">
            ▾
          </span>
        </button>
      </div>
      <Refused>{problem}</Refused>
    </div>
  );
}

type Lists = NonNullable<ReturnType<typeof lists.parts>>;

/** One of a long list, found by typing part of its name; the list is fetched when somebody first reaches for one. */
export function Search(props: ChoiceProps) {
  const id = useId();
  const { parts, plain, before, near, open } = useOnDemand<Lists, HTMLInputElement>(lists);
  if (parts) return <parts.SearchList {...props} before={before} />;
  const { label, value, options, problem, member } = props;
  return (
    <div className={choiceLook.field}>
      <div className={choiceLook.row}>
        <label htmlFor={id} className={choiceLook.label}>
          {label}
        </label>
        <input
          ref={plain}
          id={id}
          data-member={member}
          role="combobox"
          aria-expanded={false}
          aria-controls={`${id}-list`}
          readOnly
          value={options.find((o) => o.value === value)?.name ?? value}
          className={choiceLook.input}
          onPointerEnter={near}
          onFocus={open}
        />
      </div>
      <Refused>{problem}</Refused>
    </div>
  );
}
