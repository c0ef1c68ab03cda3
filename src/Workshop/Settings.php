<?php

declare(strict_types=1);

namespace NimbleKnuckle\App\Workshop;

use NimbleKnuckle\Core\Quantity\Kind;
use NimbleKnuckle\Core\Quantity\Notation;

/** What stands in the form of the settings: quantities as somebody writes them. */
final class Settings
{
    public function __construct(
        public string $name = '', public ?SpokenUnits $units = SpokenUnits::AsWritten, public string $altitude = '',
        public string $temperature = '', public string $letterhead = '', public string $rate = '', public string $currency = '',
    ) {
    }

    public static function of(WorkshopRecord $workshop): self
    {
        return new self(
            $workshop->name, $workshop->units, null === $workshop->altitude ? '' : $workshop->altitude.' m',
            null === $workshop->temperature ? '' : $workshop->temperature.' °C', $workshop->letterhead,
            null === $workshop->rate ? '' : number_format($workshop->rate, 2, '.', ''), $workshop->currency,
        );
    }

    /** Once it is known to be sound. */
    public function onto(WorkshopRecord $workshop): WorkshopRecord
    {
        $read = static fn (Kind $kind, string $text): ?float => '' === trim($text) ? null : Notation::read($kind, $text)->value();
        $workshop->name = trim($this->name);
        $workshop->units = $this->units ?? SpokenUnits::AsWritten;
        $workshop->altitude = $read(Kind::Altitude, $this->altitude);
        $workshop->temperature = $read(Kind::Temperature, $this->temperature);

        $workshop->letterhead = trim($this->letterhead);
        $workshop->rate = '' === trim($this->rate) ? null : (float) strtr(trim($this->rate), [',' => '.']);
        $workshop->currency = trim($this->currency);

        return $workshop;
    }
}
