<?php

declare(strict_types=1);

namespace NimbleKnuckle\App\Bench\View;

use NimbleKnuckle\App\Web\Format;
use NimbleKnuckle\Core\Bench\State\Reading;
use NimbleKnuckle\Core\Procedure\Ask;
use NimbleKnuckle\Core\Starting\MeterDrawing;

/** A measurement on the bench with its scale: the window it should fall into, and where the reading stands, in percent of the scale. */
final readonly class AskView
{
    /** @param list<array{symbol: string, factor: float, offset: float}> $units */
    private function __construct(
        public Ask $ask,
        public ?Reading $reading,
        public bool $outside,
        public float $from,
        public float $to,
        public ?float $at,
        public array $units,
    ) {
    }

    /** The reading in the unit that was asked for, whatever it was written in. */
    public function echo(): string
    {
        if (null !== $this->reading && [] !== $this->ask->limits->choices) {
            return $this->reading->text;
        }

        return null === $this->reading ? '' : trim(
            Format::significant($this->ask->inUnit($this->reading->value), 4).' '.$this->ask->unit()->symbol(),
        );
    }

    /** Where the leads of the voltmeter go; null where it is no voltage of a starting circuit. */
    public function meter(): ?MeterDrawing
    {
        return MeterDrawing::of($this->ask->field);
    }

    /** Whether its answers are the drawn faces of plugs. */
    public function isOfFaces(): bool
    {
        return str_starts_with($this->ask->field, 'plug_look');
    }

    /** How it was written, where that is not as it is shown; or that a curve says it. */
    public function aside(): string
    {
        return match (true) {
            null === $this->reading || [] !== $this->ask->limits->choices => '',
            $this->reading->isFromCurve() => 'from the curve',
            str_ends_with($this->reading->text, $this->ask->unit()->symbol()) => '',
            default => 'written '.$this->reading->text,
        };
    }

    public static function of(Ask $ask, ?Reading $reading): self
    {
        $span = max(1e-6, $ask->limits->high - $ask->limits->low);
        [$start, $end] = [$ask->limits->low - 0.35 * $span, $ask->limits->high + 0.35 * $span];
        $share = static fn (float $value): float => max(0.0, min(100.0, 100 * ($value - $start) / ($end - $start)));

        return new self(
            $ask, $reading, null !== $reading && $ask->isOutside($reading->value), $share($ask->limits->low), $share($ask->limits->high),
            null === $reading ? null : $share($reading->value), UnitButtons::for($ask),
        );
    }
}
