<?php

declare(strict_types=1);

namespace NimbleKnuckle\Tests\Core\Pins;

use NimbleKnuckle\Core\Fluids\WarmUp\Curve;
use NimbleKnuckle\Core\Fluids\WarmUp\CurveDrawing;
use NimbleKnuckle\Core\Fluids\WarmUp\EngineData;
use NimbleKnuckle\Core\Fluids\WarmUp\EngineFault;
use NimbleKnuckle\Core\Fluids\WarmUp\EngineModel;
use NimbleKnuckle\Core\Fluids\WarmUp\Sign;
use NimbleKnuckle\Core\Fluids\WarmUp\WarmUpJudgement;
use NimbleKnuckle\Core\Luck;
use NimbleKnuckle\Core\Quantity\Temperature;
use NimbleKnuckle\Core\Sum\InvalidInput;

/** Simulated engines as they warm up, and curves as they are judged, whole and half way. */
final readonly class WarmUpPins implements Pin
{
    public static function values(): iterable
    {
        for ($seed = 1; $seed <= 4; ++$seed) {
            foreach (EngineFault::cases() as $fault) {
                $data = EngineData::drawn(new Luck(40 + $seed), $fault);
                $model = new EngineModel($data, $fault, $seed);
                $samples = $model->whole([2.0, 5.0, 10.0][$seed % 3]);
                $name = $fault->value.' '.$seed;
                yield 'engine '.$name => [
                    $data, count($samples), array_column(array_chunk($samples, 60), 0), $model->time(),
                    $model->stored(), $model->coolant(), $model->opening(), $model->fanRuns(),
                    $fault->finding(), $fault->label(),
                ];
                foreach ([0.2, 0.5, 0.75, 1.0] as $share) {
                    $piece = array_slice($samples, 0, max(5, (int) ($share * count($samples))));
                    yield sprintf('judged %s %s', $name, $share) => self::judged($piece, $data->opens);
                }
            }
        }
        foreach ([...iterator_to_array(self::byHand()), ...iterator_to_array(self::slugs())] as $name => $samples) {
            yield 'by hand '.$name => self::judged($samples, 88.0);
        }
    }

    /** @return iterable<string, list<array{float, float}>> ramps with a jump, a dip, a saw, a plateau at many heights */
    private static function byHand(): iterable
    {
        foreach ([20.0] as $every) {
            foreach ([60.0, 78.0, 82.5, 84.0, 86.0, 89.0, 94.0, 101.0, 104.0, 109.0] as $top) {
                foreach ([0.0, 4.0, 7.0, 12.0] as $jolt) {
                    $samples = [];
                    for ($t = 0.0; $t <= 1500.0; $t += $every) {
                        $saw = $t > 600.0 && $jolt < 6.0 ? $jolt * (fmod($t, 60.0) < 30.0 ? 0.0 : 1.0) : 0.0;
                        $dip = $jolt >= 6.0 && $t > 420.0 && $t < 470.0 ? $jolt : 0.0;
                        $samples[] = [$t, min($top, 20.0 + 0.11 * $t) - $saw - $dip];
                    }
                    yield sprintf('%g %g %g', $every, $top, $jolt) => $samples;
                }
            }
        }
    }

    /** @return iterable<string, list<array{float, float}>> a cold or hot slug, early or late, that comes back or not */
    private static function slugs(): iterable
    {
        foreach ([90.0, 420.0, 660.0] as $at) {
            foreach ([-14.0, -6.5, 5.5, 6.5, 14.0] as $by) {
                foreach ([4.0, 45.0, 900.0] as $lasts) {
                    $samples = [];
                    for ($t = 0.0; $t <= 1200.0; $t += 2.0) {
                        $in = $t >= $at && $t < $at + $lasts;
                        $samples[] = [$t, min(89.0, 20.0 + 0.11 * $t) + ($in ? $by * (1.0 - ($t - $at) / $lasts / 3) : 0.0)];
                    }
                    yield sprintf('slug %g %g %g', $at, $by, $lasts) => $samples;
                }
            }
        }
    }

    /** @param list<list<float>> $samples */
    private static function judged(array $samples, float $opens): mixed
    {
        try {
            $judged = WarmUpJudgement::of(Curve::of($samples), Temperature::celsius($opens));
        } catch (InvalidInput $e) {
            return $e->getMessage();
        }

        return [
            $judged->signs, $judged->rate, $judged->trend, $judged->knee, $judged->jolts, $judged->openedAfter(), $judged->plateau(),
            Sign::LevelsOff === $judged->sign() ? $judged->levelsAt() : null,
            0 === count($samples) % 9 ? CurveDrawing::of(array_slice($samples, 0, 60), Temperature::celsius($opens), $judged) : null,
        ];
    }
}
