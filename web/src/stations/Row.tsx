/** A result in words. */
export function Row({ name, value }: { name: string; value: string }) {
  return (
    <div className="flex justify-between gap-3 border-b border-rule py-0.5">
      <span>{name}</span>
      <span className="whitespace-nowrap text-right font-tight font-semibold">{value}</span>
    </div>
  );
}
