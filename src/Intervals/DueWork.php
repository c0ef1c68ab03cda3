<?php

declare(strict_types=1);

namespace NimbleKnuckle\App\Intervals;

use NimbleKnuckle\Core\Due\Every;
use NimbleKnuckle\Core\Due\Forecast;
use NimbleKnuckle\Core\Quantity\Digits;

/** A part or a fluid of a vehicle that is due by time or distance: how often, when it was done last, when it is due next. */
final readonly class DueWork
{
    /**
     * @param string $id empty of a fluid, whose interval stands on the vehicle sheet
     * @param string $circuit of a fluid
     * @param array{id: string, short: string} $vehicle
     */
    public function __construct(
        public string $id, public string $name, public string $procedure, public string $circuit, public array $vehicle,
        public Every $every, public \DateTimeImmutable $doneOn, public Forecast $next,
    ) {
    }

    /** When it is due, as a workshop says it. */
    public function said(): string
    {
        $left = $this->next->kmLeft;
        $km = null === $left ? '' : sprintf(
            $left < 0.0 ? "over by %s\u{2009}km" : "%s\u{2009}km left", Digits::fixed(abs(round($left, -1)), 0),
        );
        if (null === $this->next->on) {
            return '' === $km ? 'nobody wrote down what the clock shows' : $km;
        }
        $day = sprintf('%s%s', $this->next->isAbout ? 'about ' : '', $this->next->on->format('j M Y'));

        return ($this->next->isDue ? 'since ' : '').$day.('' === $km ? '' : ', '.$km);
    }

    /** “60 000 km or 48 months” */
    public function often(): string
    {
        return implode(' or ', array_filter([
            $this->every->km > 0.0 ? Digits::fixed($this->every->km, 0)."\u{2009}km" : '',
            $this->every->months > 0 ? sprintf('%d month%s', $this->every->months, 1 === $this->every->months ? '' : 's') : '',
        ]));
    }
}
