<?php

declare(strict_types=1);

namespace NimbleKnuckle\App\Devices;

use NimbleKnuckle\App\Fits\FitRecord;
use NimbleKnuckle\App\Fits\Recorder;
use NimbleKnuckle\Core\Bench\EventType;
use NimbleKnuckle\Core\Bench\FitEvent;
use NimbleKnuckle\Core\Bench\Hand;
use NimbleKnuckle\Core\Bench\InvalidEvent;
use NimbleKnuckle\Core\Bench\PressTask;
use NimbleKnuckle\Core\PressFit\Door\PressSaid;
use NimbleKnuckle\Core\PressFit\PressCurve;
use NimbleKnuckle\Core\PressFit\PressEnd;
use NimbleKnuckle\Core\Sum\InvalidInput;
use Psr\Clock\ClockInterface;
use Symfony\Component\Uid\Ulid;

/** What a hub is to feel like at a step, and what its curve comes to: from a device, a file or the simulated press alike. */
final readonly class PressJudge
{
    public const KIND = 'press';
    private const LEAST = 4;
    private const MOST = 2000;

    public function __construct(private Recorder $recorder, private ClockInterface $clock)
    {
    }

    /** @throws InvalidInput where nothing can be pressed there, or not yet */
    public function task(FitRecord $record, string $stepId): PressTask
    {
        $fit = $this->recorder->load($record);
        $step = $fit->sheet->step($stepId);
        $record->status->takesMarks() || throw InvalidInput::in('rows', 'This fit takes no more marks.');
        null !== $step && PressTask::SUM === $step->asking->sum || throw InvalidInput::in('rows', 'Nothing is pressed at that step.');
        !$fit->state->isClosed($stepId) || throw InvalidInput::in('rows', 'That step is closed. Open it again first.');

        return PressTask::of($fit, $step) ?? throw InvalidInput::in(
            'rows', 'What is tight is not known yet: measure shaft, bore, outside and length of the fit first.',
        );
    }

    /** @return array<string, mixed> as a reading keeps it */
    public static function told(PressTask $task): array
    {
        return ['said' => self::KIND, 'torque' => $task->torque, 'travel' => $task->travel];
    }

    /**
     * Rows of mm and N·m as a curve.
     *
     * @param list<list<float>> $rows
     *
     * @return non-empty-list<array{float, float}>
     *
     * @throws InvalidInput naming the row
     */
    public static function curve(array $rows): array
    {
        $samples = array_map(static fn (array $row): array => [$row[0] ?? \NAN, $row[1] ?? \NAN], $rows);
        foreach ($samples as $i => [$way, $torque]) {
            is_finite($way) && is_finite($torque) && $torque >= 0.0 && $way >= 0.0 || throw InvalidInput::in(
                'rows', sprintf('Row %d is two numbers that are not less than nothing: mm, then N·m.', $i + 1),
            );
            0 === $i || $way >= $samples[$i - 1][0] || throw InvalidInput::in(
                'rows', sprintf('Row %d goes back: give them by the way.', $i + 1),
            );
        }

        return [] !== $samples && count($samples) >= self::LEAST && count($samples) <= self::MOST ? $samples : throw InvalidInput::in(
            'rows', sprintf('A curve has %d to %d rows of mm and N·m; here are %d.', self::LEAST, self::MOST, count($samples)),
        );
    }

    /** Judges a reading that is whole, and writes the judgement into the log. */
    public function finish(ReadingRecord $reading, FitRecord $record): void
    {
        $judged = PressCurve::judge(self::curve($reading->samples), $reading->taskNumber('torque'), $reading->taskNumber('travel'));
        $check = PressSaid::of($judged)[0];
        [$reading->verdict, $reading->said] = [$check->level->value, $check->text];
        $reading->finding = $judged->isEasy ? PressEnd::Free->value : $judged->end->value;
        $reading->done = true;
        try {
            $this->recorder->record($record, [FitEvent::of((string) new Ulid(), EventType::CurveJudged, [
                'step' => $reading->step, 'reading' => $reading->id, 'finding' => $reading->finding, 'verdict' => $reading->verdict,
                'said' => $reading->said,
            ], $reading->byName, $this->clock->now())], Hand::Server);
        } catch (InvalidEvent $e) {
            throw InvalidInput::in('rows', $e->getMessage());
        }
    }
}
