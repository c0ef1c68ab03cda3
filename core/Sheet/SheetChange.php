<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Sheet;

/** What a new version of a sheet changes: steps that came in, steps that went, steps that say something else. */
final readonly class SheetChange
{
    /**
     * @param list<Step> $added
     * @param list<Step> $gone
     * @param list<Step> $changed as they are now
     * @param float $minutes how much longer the likely duration is, in minutes
     */
    private function __construct(public array $added, public array $gone, public array $changed, public float $minutes)
    {
    }

    public static function between(Sheet $old, Sheet $new): self
    {
        $added = $gone = $changed = [];
        foreach ($new->steps as $step) {
            $before = $old->step($step->id);
            if (null === $before) {
                $added[] = $step;
            } elseif ([
                $before->words->title, $before->words->text, $before->needs->tray, $before->asking->asks,
            ] != [$step->words->title, $step->words->text, $step->needs->tray, $step->asking->asks]) {
                $changed[] = $step;
            }
        }
        foreach ($old->steps as $step) {
            if (null === $new->step($step->id)) {
                $gone[] = $step;
            }
        }

        return new self($added, $gone, $changed, $new->timing->likely - $old->timing->likely);
    }

    public function isNone(): bool
    {
        return [] === $this->added && [] === $this->gone && [] === $this->changed;
    }
}
