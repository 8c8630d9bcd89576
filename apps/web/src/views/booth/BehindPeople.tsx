import type { EventSetup } from "@wide-quilt/core";
import { ImageUp } from "lucide-react";
import { address, server } from "../../api/client.ts";
import { useDoing } from "../../app/useDoing.ts";
import { button } from "../../ui/button.ts";
import { FileButton } from "../../ui/FileButton.tsx";

interface Props {
  setup: EventSetup;
  onChange(change: Partial<EventSetup>): void;
}

/** A picture of the event’s that takes the place of what is behind people. */
export function BehindPeople({ setup: { behind }, onChange }: Props) {
  const doing = useDoing();
  const put = (file: File) =>
    void doing(async () => {
      const taken = await server.addPhoto(file);
      if ("refused" in taken) throw new Error(`${taken.refused.name}: ${taken.refused.why}`);
      onChange({ behind: taken.photo.id });
    });
  return (
    <div className="flex flex-col gap-3">
      <p className="text-[12.5px] text-ink-2">
        People are cut out of each photo and stand before the picture. Where nobody is found the photo stays
        as it is. A set waits about a second longer for it.
      </p>
      {behind && (
        <img
          src={address.previewFor(behind, 320)}
          alt="The picture behind people"
          className="max-h-40 self-start rounded-lg"
        />
      )}
      <div className="flex flex-wrap gap-2">
        <FileButton
          label="A picture to put behind people"
          accept="image/*"
          className={button.plain}
          onFiles={([file]) => file && put(file)}
        >
          <ImageUp size={15} aria-hidden /> {behind ? "Another picture" : "Choose a picture"}
        </FileButton>
        {behind && (
          <button type="button" className={button.plain} onClick={() => onChange({ behind: null })}>
            Nothing new behind them
          </button>
        )}
      </div>
    </div>
  );
}
