<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Bench\Signing;

use NimbleKnuckle\Core\Bench\Event\Authority;
use NimbleKnuckle\Core\Bench\Event\BenchRight;
use NimbleKnuckle\Core\Bench\Fact\Waived;
use NimbleKnuckle\Core\Bench\Fit;
use NimbleKnuckle\Core\Procedure\Ask;
use NimbleKnuckle\Core\Sheet\Step;

/** What stands between a fit and a signature: loose ends, open steps, questions without an answer; and what a lead looks at. */
final class SignOff
{
    /** @var list<LooseEnd>|null */
    private ?array $looseEnds = null;

    private function __construct(private readonly Fit $fit)
    {
    }

    /** Worked out once for a fit as it stands. */
    public static function of(Fit $fit): self
    {
        return $fit->once(self::class, static fn (): self => new self($fit));
    }

    /** @return list<LooseEnd> everything open that was not waived, in the order it arose */
    public function looseEnds(): array
    {
        return $this->looseEnds ??= array_values(
            array_filter((new LooseEnds($this->fit))->all(), fn (LooseEnd $end): bool => !$this->isWaived($end)),
        );
    }

    /** A waiver holds for what it was given for: when that has changed, it is open again. */
    private function isWaived(LooseEnd $end): bool
    {
        $as = ($this->fit->state->waived[$end->id] ?? null)?->as(Waived::class)->as;

        return null !== $as && ('' === $as || $as === $end->since);
    }

    /** @return list<ReviewEntry> what a lead looks at before signing */
    public function review(): array
    {
        return (new Review($this->fit))->entries();
    }

    /** @return list<LooseEnd> steps neither done nor skipped */
    public function openSteps(): array
    {
        $ends = [];
        foreach ($this->fit->sheet->steps as $step) {
            if (!$this->fit->state->isClosed($step->id)) {
                $ends[] = new LooseEnd('step:'.$step->id, LooseEndKind::Step, $step->words->title, $step->id, '');
            }
        }

        return $ends;
    }

    /** @return list<string> why it cannot be signed off by this person; empty when it can */
    public function refusals(Authority $hand): array
    {
        $ends = count($this->looseEnds());
        $steps = count($this->openSteps());

        return array_values(array_filter([
            null !== $this->fit->state->signed ? 'It is signed off already.' : '',
            null !== $this->fit->state->stopped ? 'It was stopped: take it up again first.' : '',
            $hand->may(BenchRight::SignOff) ? '' : 'Only a lead signs off.',
            0 === $ends ? '' : sprintf(
                '%d loose %s open: close each, or waive it with a reason.', $ends, 1 === $ends ? 'end is' : 'ends are',
            ),
            0 === $steps ? '' : sprintf(
                1 === $steps
                    ? '%d step is not done: do it, or skip it with a reason.'
                    : '%d steps are not done: do each, or skip it with a reason.',
                $steps,
            ),
            ...array_map(static fn (array $one): string => sprintf(
                '“%s” has no answer: give it at the step “%s”.', $one[1]->label, $one[0]->words->title,
            ), $this->unanswered()),
        ], static fn (string $reason): bool => '' !== $reason));
    }

    /** @return list<array{Step, Ask}> what must be answered before anybody signs: a skipped step is no answer, and none can be waived */
    public function unanswered(): array
    {
        $missing = [];
        foreach ($this->fit->sheet->steps as $step) {
            foreach ($this->fit->readings()->asks($step) as $ask) {
                if ($ask->standsBeforeSigning() && null === $this->fit->state->reading($step->id, $ask->field)) {
                    $missing[] = [$step, $ask];
                }
            }
        }

        return $missing;
    }
}
