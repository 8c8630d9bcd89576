import { Lock } from "lucide-react";
import { useState } from "react";
import { useNavigate } from "react-router";
import { server } from "../../../api/client.ts";

/** The way out, for those who know the PIN. */
export function Leave({ id, hasPin }: { id: string; hasPin: boolean }) {
  const [asks, setAsks] = useState(false);
  const [isWrong, setWrong] = useState(false);
  const navigate = useNavigate();
  const leave = async (pin: string) => {
    try {
      await server.leaveGuests(id, pin);
      await navigate(`/booth/${id}`);
    } catch {
      setWrong(true);
    }
  };
  if (asks)
    return (
      <input
        autoFocus
        type="password"
        inputMode="numeric"
        aria-label={isWrong ? "Not this PIN; try again" : "PIN of the operator"}
        aria-invalid={isWrong}
        placeholder={isWrong ? "not this one" : "PIN"}
        maxLength={8}
        className="w-[8em] rounded-md border border-edge bg-white px-2 py-1 text-[16px] aria-invalid:border-wrong"
        onBlur={() => setAsks(false)}
        onKeyDown={({ key, currentTarget }) => {
          if (key === "Escape") setAsks(false);
          if (key !== "Enter") return;
          void leave(currentTarget.value || "0");
          currentTarget.value = "";
        }}
      />
    );
  return (
    <button
      type="button"
      aria-label="For the operator"
      className="rounded-full bg-white/80 p-[1.2vmin]"
      onClick={() => (hasPin ? setAsks(true) : void leave("0"))}
    >
      <Lock aria-hidden className="size-[3vmin]" />
    </button>
  );
}
