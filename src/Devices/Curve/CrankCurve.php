<?php

declare(strict_types=1);

namespace NimbleKnuckle\App\Devices\Curve;

use NimbleKnuckle\App\Devices\DeviceKind;
use NimbleKnuckle\Core\Bench\Fit;
use NimbleKnuckle\Core\Curve\CurveKind;
use NimbleKnuckle\Core\Drawing\Plot;
use NimbleKnuckle\Core\Procedure\Ask;
use NimbleKnuckle\Core\Sheet\Step;
use NimbleKnuckle\Core\Starting\CrankDrawing;
use NimbleKnuckle\Core\Starting\CrankFault;
use NimbleKnuckle\Core\Starting\CrankFinding;
use NimbleKnuckle\Core\Starting\CrankModel;
use NimbleKnuckle\Core\Starting\CrankRun;
use NimbleKnuckle\Core\Starting\Door\CrankSaid;
use NimbleKnuckle\Core\Sum\InvalidInput;

/** A starter that cranks, recorded with three leads: s, V at the posts, V at the stud, V of the earth. */
final readonly class CrankCurve implements StepCurve
{
    /** The readings of a step come from it, before the work and after. */
    private const BEFORE = ['rest' => 'volts_rest', 'settled' => 'volts_crank', 'stud' => 'volts_stud', 'earth' => 'volts_ground'];
    private const AFTER = '_after';
    private const BATTERIES = ['flooded', 'agm'];
    private const CYLINDERS = 4.0;
    private const CELSIUS = 20.0;

    public function kind(): CurveKind
    {
        return CurveKind::Crank;
    }

    public function device(): DeviceKind
    {
        return DeviceKind::Recorder;
    }

    public function words(): CurveWords
    {
        return new CurveWords(
            'A recorder with three leads', 'Crank once more', 's, V at the posts, V at the stud, V of the earth, a row each',
            "0 12.6 0 0\n0.1 9.8 8.9 0.12\n0.2 10.3 9.5 0.11", 'The simulated starter', 'Crank it',
        );
    }

    public function isTaken(Fit $fit, Step $step): bool
    {
        return [] !== array_filter(
            $fit->readings()->asks($step), static fn (Ask $one): bool => str_starts_with($one->field, self::BEFORE['settled']),
        );
    }

    public function asked(Fit $fit, Step $step): array
    {
        return [
            new CurveField('cylinders', 'Cylinders', (string) self::plugs($fit), '4'),
            new CurveField('celsius', 'The battery is, °C', '', '20'),
            new CurveField('battery', 'Battery: flooded or AGM', 'flooded', 'flooded'),
        ];
    }

    public function task(Fit $fit, Step $step, array $given): array
    {
        $isAfter = [] !== array_filter(
            $fit->readings()->asks($step), static fn (Ask $one): bool => str_ends_with($one->field, self::AFTER)
        );
        $cylinders = self::number($given['cylinders'] ?? '', self::plugs($fit) ?? self::CYLINDERS);
        3.0 <= $cylinders && $cylinders <= 12.0 && floor($cylinders) === $cylinders
            || throw InvalidInput::in('cylinders', 'Cylinders: a whole number from 3 to 12.');
        $celsius = self::number($given['celsius'] ?? '', self::CELSIUS);
        -40.0 <= $celsius && $celsius <= 80.0 || throw InvalidInput::in('celsius', 'The battery is from −40 to 80 °C.');
        $battery = array_search(mb_strtolower(trim($given['battery'] ?? '')) ?: 'flooded', self::BATTERIES, true);
        false !== $battery || throw InvalidInput::in('battery', 'A battery is flooded or AGM.');

        return ['cylinders' => $cylinders, 'celsius' => $celsius, 'battery' => (float) $battery, 'after' => $isAfter ? 1.0 : 0.0];
    }

    public function samples(array $rows): array
    {
        $volts = [-5.0, 30.0];

        return (new CurveRows(
            [[0.0, 1e5], $volts, $volts, $volts], 's, then V at the posts, at the stud and of the earth', CrankRun::LEAST, true,
        ))->of($rows);
    }

    public function judged(array $samples, array $task): CurveVerdict
    {
        $run = self::run($samples, $task);
        $isAfter = ($task['after'] ?? 0.0) > 0.0;
        $readings = [];
        foreach (CrankFinding::TooShort === $run->finding ? [] : self::BEFORE as $name => $field) {
            $readings[$field.($isAfter ? self::AFTER : '')] = round(max(0.0, $run->{$name}), 3);
        }
        $verdict = CurveVerdict::of($run->finding->value, CrankSaid::of($run, (int) ($task['cylinders'] ?? self::CYLINDERS)), $readings);

        // Before the work a fault is what is looked for: it holds nothing up.
        return $isAfter ? $verdict : $verdict->ofTheOld();
    }

    public function faults(): array
    {
        return array_column(array_map(static fn (CrankFault $one): array => [$one->value, $one->label()], CrankFault::cases()), 1, 0);
    }

    public function simulated(array $task, string $fault, int $seed): array
    {
        return (new CrankModel(
            CrankFault::tryFrom($fault) ?? CrankFault::None, (int) ($task['cylinders'] ?? self::CYLINDERS), $seed,
        ))->samples();
    }

    public function plot(array $samples, array $task, array $before): ?Plot
    {
        return [] === $samples ? null : CrankDrawing::of(self::fours($samples), self::run($samples, $task),
            [] === $before ? [] : self::fours($before));
    }

    /**
     * @param non-empty-list<list<float>> $samples
     * @param array<string, float> $task
     */
    private static function run(array $samples, array $task): CrankRun
    {
        return CrankRun::of(
            self::fours($samples), (int) ($task['cylinders'] ?? self::CYLINDERS), $task['celsius'] ?? self::CELSIUS,
            self::BATTERIES[(int) ($task['battery'] ?? 0.0)] ?? self::BATTERIES[0],
        );
    }

    /**
     * @param non-empty-list<list<float>> $samples
     *
     * @return non-empty-list<array{float, float, float, float}>
     */
    private static function fours(array $samples): array
    {
        return array_map(static fn (array $one): array => [$one[0] ?? 0.0, $one[1] ?? 0.0, $one[2] ?? 0.0, $one[3] ?? 0.0], $samples);
    }

    /** As many as there are plugs; null where the vehicle sheet has none. */
    private static function plugs(Fit $fit): ?float
    {
        $plugs = $fit->vehicle->jointFor('plug-threads')?->count() ?? 0;

        return $plugs > 0 ? (float) $plugs : null;
    }

    private static function number(string $text, float $usual): float
    {
        $text = str_replace([',', '−', '°C', '°'], ['.', '-', '', ''], trim($text));

        return '' === $text ? $usual : (is_numeric(trim($text)) ? (float) $text : \NAN);
    }
}
