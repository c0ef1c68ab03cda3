<?php

declare(strict_types=1);

namespace NimbleKnuckle\Tests\Core\Pins;

use NimbleKnuckle\Core\ChargeAir\LeakFault;
use NimbleKnuckle\Core\ChargeAir\LeakModel;
use NimbleKnuckle\Core\Gate\ActuatorFault;
use NimbleKnuckle\Core\Gate\ActuatorModel;
use NimbleKnuckle\Core\Gate\BoostFault;
use NimbleKnuckle\Core\Gate\BoostModel;
use NimbleKnuckle\Core\PressFit\PressFault;
use NimbleKnuckle\Core\PressFit\PressModel;
use NimbleKnuckle\Core\Starting\CrankFault;
use NimbleKnuckle\Core\Starting\CrankModel;

/** What the simulated devices give, of each fault a few: the same seed gives the same curve, as records of practice go by it. */
final readonly class ModelPins implements Pin
{
    private const SEEDS = [1, 2, 3];
    private const TELLS = 6;

    public static function values(): iterable
    {
        foreach (self::SEEDS as $seed) {
            foreach (LeakFault::cases() as $fault) {
                yield 'leak '.$fault->value.' '.$seed => self::told((new LeakModel(
                    3.0 + $seed, 80.0 + 20 * $seed, $fault, $seed,
                ))->samples());
            }
            foreach (BoostFault::cases() as $fault) {
                yield 'boost '.$fault->value.' '.$seed => self::told((new BoostModel(60.0 + 20 * $seed, $fault, $seed))->samples());
            }
            foreach (ActuatorFault::cases() as $fault) {
                $test = (new ActuatorModel($fault, $seed))->test();
                yield 'actuator '.$fault->value.' '.$seed => self::told($test['samples']).'; held '.Text::of($test['hold']);
            }
            foreach (CrankFault::cases() as $fault) {
                yield 'crank '.$fault->value.' '.$seed => self::told((new CrankModel($fault, 2 + $seed, $seed))->samples());
            }
            foreach (PressFault::cases() as $fault) {
                yield 'press '.$fault->value.' '.$seed => self::told((new PressModel(40.0 + 10 * $seed, 20.0, $fault, $seed))->samples());
            }
        }
    }

    /** @param non-empty-list<list<float>> $samples how many, some of them evenly along the way, the last */
    private static function told(array $samples): string
    {
        $n = count($samples);
        $some = array_map(static fn (int $i): array => $samples[intdiv($i * ($n - 1), self::TELLS)], range(0, self::TELLS));

        return $n.': '.implode('; ', array_map(Text::of(...), $some));
    }
}
