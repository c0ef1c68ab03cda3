<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Vehicle;

use NimbleKnuckle\Core\Bolting\Compound;
use NimbleKnuckle\Core\Document\Node;

/** What the bolts go into and clamp, and what is on their threads. */
final readonly class ThreadContact
{
    /** As it came out of its bag: neither cleaned nor oiled. Its own coating is what the figure is meant for. */
    private const SUPPLIED = 'as supplied';
    private const FRICTIONS = [
        'dry' => 'dry zinc', 'oil' => 'oiled', 'oiled' => 'oiled', 'anti-seize' => 'anti-seize', 'thread sealant' => 'oiled',
        'sealant' => 'oiled', 'as supplied' => self::SUPPLIED,
        'threadlocker' => 'threadlocker wet', 'medium threadlocker' => 'threadlocker wet',
        'high-strength threadlocker' => 'threadlocker wet',
    ];

    private const MEANT = [
        'dry zinc' => Compound::Dry, 'oiled' => Compound::Oil, 'anti-seize' => Compound::AntiSeize,
        'threadlocker wet' => Compound::MediumLocker,
    ];

    /**
     * @param float $cure minutes its compound needs before load, fluid or heat
     * @param float $heat °C that it gets there; 0 where nobody said
     * @param bool $isSaid whether anybody said what is on the threads
     * @param string $sheetSays the figure of the sheet and what it is meant for, where something else goes on the thread now
     */
    private function __construct(
        public string $material, public string $friction, public string $compound, public float $cure, public Grip $grip,
        public float $heat, public bool $isSaid, public string $sheetSays = '',
    ) {
    }

    public static function read(Node $node): self
    {
        $compound = $node->string('compound', '');

        return new self(
            $node->string('material', ''), $node->string('friction', '') ?: self::frictionOf($compound), $compound,
            $node->float('cure', 0.0), Grip::read($node->node('grip')), BoundedNumber::within($node, 'heat', 0.0, 1000.0),
            '' !== $node->string('friction', '').$compound,
        );
    }

    /** What the figure of the sheet is meant for; null where nobody can tell. */
    public function meantFor(): ?Compound
    {
        return '' === $this->compound ? self::MEANT[$this->friction] ?? null : Compound::named($this->compound);
    }

    /** @param string $figure as the sheet states it */
    public function coated(Compound $compound, string $figure): self
    {
        $was = $this->meantFor()->value ?? 'other';

        return new self(
            $this->material, self::frictionOf($compound->value), $compound->value, 0.0, $this->grip, $this->heat,
            true, '' === $figure ? '' : sprintf('%s on %s threads', $figure, $was),
        );
    }

    public function isAsSupplied(): bool
    {
        return self::SUPPLIED === $this->friction;
    }

    public function isSoft(): bool
    {
        return str_contains($this->material, 'aluminium') || str_contains($this->material, 'magnesium');
    }

    /** A thread nobody said anything of is dry. */
    private static function frictionOf(string $compound): string
    {
        return self::FRICTIONS[mb_strtolower(str_replace('high strength', 'high-strength', $compound))] ?? 'dry zinc';
    }
}
