<?php

declare(strict_types=1);

namespace NimbleKnuckle\App\Devices\Curve;

use NimbleKnuckle\App\Devices\DeviceKind;
use NimbleKnuckle\App\Devices\ReadingRecord;
use NimbleKnuckle\App\Fits\FitRecord;
use NimbleKnuckle\App\Fits\Recorder;
use NimbleKnuckle\Core\Bench\Event\Authority;
use NimbleKnuckle\Core\Bench\Event\EventType;
use NimbleKnuckle\Core\Bench\Event\FitEvent;
use NimbleKnuckle\Core\Bench\Event\InvalidEvent;
use NimbleKnuckle\Core\Bench\Fit;
use NimbleKnuckle\Core\Bench\State\Reading;
use NimbleKnuckle\Core\Procedure\Ask;
use NimbleKnuckle\Core\Quantity\Digits;
use NimbleKnuckle\Core\Sheet\Step;
use NimbleKnuckle\Core\Sum\InvalidInput;
use Psr\Clock\ClockInterface;
use Symfony\Component\Uid\Ulid;

/** What a curve at a step is held against, and what it comes to: from a device, as rows, or simulated alike. */
final readonly class CurveJudge
{
    public function __construct(private StepCurves $kinds, private Recorder $recorder, private ClockInterface $clock)
    {
    }

    /** @throws InvalidInput where no curve is taken there, or not now */
    public function kind(FitRecord $record, string $stepId): StepCurve
    {
        $fit = $this->recorder->load($record);
        $step = $fit->sheet->step($stepId);
        $kind = null === $step ? null : $this->kinds->of($step);
        $record->status->takesMarks() || throw InvalidInput::in('rows', 'This fit takes no more marks.');
        null !== $step && null !== $kind || throw InvalidInput::in('rows', 'That step takes no curve.');
        !$fit->state->isClosed($stepId) || throw InvalidInput::in('rows', 'That step is closed. Open it again first.');

        return $kind;
    }

    /**
     * @param array<string, string> $given
     *
     * @return array<string, float>
     *
     * @throws InvalidInput
     */
    public function task(FitRecord $record, string $stepId, array $given): array
    {
        $kind = $this->kind($record, $stepId);
        $fit = $this->recorder->load($record);
        $step = $fit->sheet->step($stepId) ?? throw InvalidInput::in('rows', 'There is no such step.');
        $task = $kind->task($fit, $step, $given);
        $kind->isTaken($fit, $step) || throw InvalidInput::in('rows', 'Not yet: no curve is taken at this point of the step.');

        return $task;
    }

    /** What a device of this kind sends where it is in hand. */
    public function sentBy(DeviceKind $device): ?StepCurve
    {
        return $this->kinds->sentBy($device);
    }

    /** Judges a reading that is whole, and writes into the log what it comes to and what it says of the readings of its step. */
    public function finish(ReadingRecord $reading, FitRecord $record): void
    {
        $kind = $this->kind($record, $reading->step);
        $verdict = $kind->judged($kind->samples($reading->samples), $reading->taskNumbers());
        [$reading->verdict, $reading->finding] = [$verdict->level->value, $verdict->finding];
        [$reading->said, $reading->done] = [mb_substr($verdict->said, 0, 500), true];
        $fit = $this->recorder->load($record);
        $step = $fit->sheet->step($reading->step) ?? throw InvalidInput::in('rows', 'There is no such step.');
        try {
            $this->recorder->record($record, $this->events($fit, $step, $reading, $verdict), Authority::Server);
        } catch (InvalidEvent $e) {
            throw InvalidInput::in('rows', $e->getMessage());
        }
    }

    /** @return non-empty-list<FitEvent> */
    private function events(Fit $fit, Step $step, ReadingRecord $reading, CurveVerdict $verdict): array
    {
        $now = $this->clock->now();
        $event = static fn (EventType $type, array $payload): FitEvent => FitEvent::of(
            (string) new Ulid(), $type, ['step' => $step->id] + $payload, $reading->byName, $now,
        );
        $events = [$event(EventType::CurveJudged, [
            'reading' => $reading->id, 'finding' => $verdict->finding, 'verdict' => $verdict->level->value, 'said' => $reading->said,
        ] + ($verdict->seconds > 0.0 ? ['seconds' => round($verdict->seconds, 2)] : []))];
        foreach ($fit->readings()->asks($step) as $ask) {
            $value = $verdict->readings[$ask->field] ?? null;
            null === $value || $events[] = $event(EventType::Measured, [
                'field' => $ask->field, 'text' => self::text($ask, $value), 'value' => $value, 'unit' => $ask->kind->baseUnit()->value,
            ]);
        }

        return $events;
    }

    private static function text(Ask $ask, float $value): string
    {
        $choice = $ask->limits->choices[(int) round($value) - 1] ?? null;

        return null !== $choice ? $choice->label : trim(sprintf('%s %s', Digits::of($ask->kind, $ask->inUnit($value)),
            $ask->unit)).Reading::FROM_CURVE;
    }
}
