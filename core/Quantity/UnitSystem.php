<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Quantity;

/**
 * Which units a workshop speaks in besides the metric ones everything is worked out in. Until it says so, it is heard
 * from what it wrote.
 */
enum UnitSystem: string
{
    case Metric = 'metric';
    case Us = 'us';
    case Imperial = 'imperial';

    private const IMPERIAL = '~\b(?:imp(?:erial)?|uk|british)\b~i';
    private const US = '~[0-9½¼¾⅛]\s*(?:(?:(?:lbf?|pound|ft|foot|feet|in)s?[\s.·/-]*(?:ft|lbf?|in|foot|feet|pound)s?|lbf?s?'
        .'|ozf?|psi|ksi|inh?g?|in(?:ch(?:es)?)?\.?\s?hg|in(?:ch(?:es)?)?|thou|mils?|qts?|quarts?|pts?|pints?|gal(?:lon)?s?'
        .'|fl\s?oz|mi(?:les?)?|ft|feet|°?\s?f(?:ahrenheit)?)(?![a-z])|["″”])~iu';

    /** By the first text that is not metric. */
    public static function heardIn(string ...$texts): self
    {
        foreach ($texts as $text) {
            if (1 === preg_match(self::IMPERIAL, $text)) {
                return self::Imperial;
            }
            if (1 === preg_match(self::US, $text)) {
                return self::Us;
            }
        }

        return self::Metric;
    }

    /** A metric value in the unit spoken besides, “18.4 lbf·ft”; empty where none is. */
    public function said(float $value, Unit $metric, ?Unit $as = null): string
    {
        $other = $this->beside($metric);
        if (null === $other) {
            return '';
        }
        $other = $as ?? $other;

        $named = (Unit::Quart === $other ? 'US'.Digits::GROUP : '').$other->symbol();

        return Digits::significant(Quantity::of($value, $metric)->in($other)).Digits::GROUP.$named;
    }

    /** The unit that stands beside the metric one; null where none does. */
    public function beside(Unit $metric): ?Unit
    {
        if (self::Metric === $this) {
            return null;
        }

        return match ($metric->kind()) {
            Kind::Torque => Unit::PoundFoot,
            Kind::Volume => self::Us === $this ? Unit::Quart : Unit::ImperialPint,
            Kind::Temperature => self::Us === $this ? Unit::Fahrenheit : null,
            Kind::Pressure => Unit::Psi,
            Kind::Length => Unit::Inch,
            Kind::Force => Unit::PoundForce,
            Kind::Distance => Unit::Mile,
            Kind::Altitude => Unit::FootAltitude,
            default => null,
        };
    }
}
