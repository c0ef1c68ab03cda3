<?php

declare(strict_types=1);

namespace NimbleKnuckle\App\Practice;

use NimbleKnuckle\Core\Drawing\Plot;
use NimbleKnuckle\Core\Luck;
use NimbleKnuckle\Core\Spark\PlugLook;
use NimbleKnuckle\Core\Spark\PlugSet;
use NimbleKnuckle\Core\Spark\SetDrawing;
use NimbleKnuckle\Core\Starting\CrankFault;
use NimbleKnuckle\Core\Starting\CrankModel;
use NimbleKnuckle\Core\Starting\CrankRun;
use NimbleKnuckle\Core\Starting\Door\CrankSaid;
use NimbleKnuckle\Core\Sum\Level;

/** Plugs that came out, and starters that cranked, to be judged by eye. */
final readonly class SparkJudging
{
    private const WARM = 20.0;
    private const EVEN = 'even';
    private const PLUGS = 4;

    public static function crank(int $seed): PracticeCase
    {
        $luck = new Luck($seed);
        [$fault, $cylinders] = [$luck->oneOf(CrankFault::cases()), $luck->oneOf([3, 4, 6])];
        $samples = (new CrankModel($fault, $cylinders, $seed))->samples();
        $check = CrankSaid::of(CrankRun::of($samples, $cylinders, self::WARM, 'flooded'), $cylinders);
        $line = static fn (int $column): array => array_map(
            static fn (array $one): array => [$one[0], $one[$column] ?? 0.0], $samples,
        );
        $plot = Plot::over(
            'Posts, stud and earth while it cranks', 's', [0.0, $samples[count($samples) - 1][0]], 'V', [0.0, 13.5],
        )->line($line(2), 'dash')->line($line(3), 'bad-line')->line($line(1), 'trace');

        return new PracticeCase(
            $plot, [], sprintf(
                '%d cylinders, 20 °C. Broad: the posts. Dashed: the stud against the case. Thin, below: the earth.', $cylinders,
            ),
            array_column(array_map(static fn (CrankFault $one): array => [$one->value, $one->label()], CrankFault::cases()), 1, 0),
            $fault->value, Level::Ok === $check->level ? 'go-on' : 'stop', $check->text,
        );
    }

    public static function plugs(int $seed): PracticeCase
    {
        $luck = new Luck($seed);
        $gap = round($luck->between(0.75, 1.0), 2);
        $usual = $luck->oneOf([PlugLook::Tan, PlugLook::Tan, PlugLook::Ash]);
        [$what, $at] = [$luck->oneOf(['none', 'gap', 'look', 'spent']), $luck->oneOf(range(1, self::PLUGS))];
        [$oddGap, $oddLook] = match ($what) {
            'gap' => [round($gap + $luck->oneOf([-1.0, 1.0]) * $luck->between(0.16, 0.3), 2), $usual],
            'look' => [$gap, $luck->oneOf([PlugLook::White, PlugLook::BlackWet, PlugLook::BlackDry, PlugLook::Oil])],
            'spent' => [$gap, $luck->oneOf([PlugLook::Cracked, PlugLook::Blistered, PlugLook::Bridged])],
            default => [$gap, $usual],
        };
        [$cylinders, $gaps, $looks] = [range(1, self::PLUGS), [], []];
        foreach ($cylinders as $one) {
            $gaps[] = $one === $at ? $oddGap : round($gap + $luck->between(-0.015, 0.015), 2);
            $looks[] = $one === $at ? $oddLook : $usual;
        }
        $calls = [self::EVEN => 'they are even'];
        foreach ($cylinders as $i) {
            $calls['odd-'.$i] = sprintf('cylinder %d is odd', $i);
        }

        return new PracticeCase(
            // Drawn as if nobody had found the odd one yet.
            null, [], sprintf('Gap as it was new: %s mm.', round($gap - 0.12, 2)), $calls, 'none' === $what ? self::EVEN : 'odd-'.$at,
            match ($what) {
                'none' => 'go-on',
                'spent' => 'stop',
                default => 'look',
            }, self::why($what, $at, $oddGap, $oddLook),
            SetDrawing::of($cylinders, $gaps, $looks, PlugSet::of([$gap], [])),
        );
    }

    private static function why(string $what, int $cylinder, float $gap, PlugLook $look): string
    {
        return match ($what) {
            'gap' => sprintf('Cylinder %d stands at %s mm, unlike the others: knocked, or it ran hotter.', $cylinder, $gap),
            'look' => sprintf('Cylinder %d is %s, the others are not: that cylinder, not the plug.', $cylinder, $look->value),
            'spent' => sprintf('Cylinder %d is %s: that plug is done for, and what did it is looked for first.', $cylinder, $look->value),
            default => 'Gaps and faces alike: nothing here points to one cylinder.',
        };
    }
}
