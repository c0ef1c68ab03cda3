<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\BeltDrive;

use NimbleKnuckle\Core\Document\Node;

/** One belt of a vehicle with all it runs over. Format nimble-knuckle/drive@1; mm, degrees, rpm. */
final readonly class Drive
{
    public const FORMAT = 'nimble-knuckle/drive@1';

    public ?Tensioner $tensioner;
    /** The place of the pulley on the tensioner's arm; -1 where there is none. */
    public int $idler;

    /**
     * @param list<Pulley> $pulleys in belt order
     * @param array{?Tensioner, int} $tension the tensioner, and which pulley is on its arm
     * @param string $belt what is on it now: a code or a length, empty where nobody said
     * @param ?Blower $blower what it drives that makes boost
     * @param string $item which item of the vehicle the belt is; empty where nobody said
     */
    private function __construct(
        public string $id, public string $name, public BeltSection $section, public array $pulleys, array $tension, public string $belt,
        public ?Blower $blower, public string $item,
    ) {
        [$this->tensioner, $this->idler] = $tension;
    }

    public static function read(Node $node): self
    {
        $section = BeltSection::named($node->string('section', BeltSection::COMMON)) ?? throw $node->refuse(
            'section', sprintf('use %s.', implode(', ', BeltSection::names())),
        );
        $pulleys = $node->each('pulleys', self::pulley(...));
        count(array_unique(array_map(static fn (Pulley $one): string => $one->name, $pulleys))) === count($pulleys)
            || throw $node->refuse('pulleys', 'two of them have one name: each needs its own.');
        [$tensioner, $idler] = $node->has('tensioner') ? self::tensioner($node->node('tensioner'), $pulleys) : [null, -1];
        if (null !== $tensioner) {
            // Where the arm hangs is said by its angle alone.
            $pulleys[$idler] = $tensioner->on($pulleys[$idler], ($tensioner->near + $tensioner->far) / 2);
        }
        $pulleys = array_values($pulleys);

        return new self(
            $node->string('id'), $node->string('name'), $section->with(
                $node->has('be') ? $node->float('be') : null, $node->has('tb') ? $node->float('tb') : null,
            ), $pulleys, [$tensioner, $idler], $node->string('belt', ''),
            $node->has('blower') ? Blower::read($node->node('blower'), $pulleys) : null, $node->string('item', ''),
        );
    }

    private static function pulley(Node $node): Pulley
    {
        $d = $node->float('d');
        $d > 0.0 || throw $node->refuse('d', 'a diameter is more than nothing.');

        return new Pulley(
            $node->string('name'), $node->float('x', 0.0), $node->float('y', 0.0), $d, $node->enum('side', Side::class, Side::Ribs),
            $node->bool('drives'),
        );
    }

    /**
     * @param list<Pulley> $pulleys
     *
     * @return array{Tensioner, int}
     */
    private static function tensioner(Node $node, array $pulleys): array
    {
        [$pivot, $window] = [$node->floats('pivot'), $node->floats('window')];
        2 === count($pivot) || throw $node->refuse('pivot', 'two numbers: to the right and up, in mm.');
        2 === count($window) && abs($window[0] - $window[1]) > 1e-6 || throw $node->refuse(
            'window', 'two different angles: where it begins and where it ends.',
        );
        $arm = $node->float('arm');
        $arm > 0.0 || throw $node->refuse('arm', 'it is longer than nothing.');
        $tensioner = new Tensioner($pivot[0], $pivot[1], $arm, $node->float('free'), [$window[0], $window[1]]);
        !$tensioner->restsInWindow() || throw $node->refuse('free', 'it rests outside its window when there is no belt.');
        foreach ($pulleys as $i => $pulley) {
            if ($pulley->name === $node->string('pulley')) {
                return [$tensioner, $i];
            }
        }

        throw $node->refuse('pulley', 'no pulley has that name.');
    }

    /** Effective length of the belt that is on it, in mm; null where nobody said. */
    public function length(): ?float
    {
        $code = BeltCode::read($this->belt);

        return $code->length ?? (is_numeric($this->belt) ? (float) $this->belt : null);
    }

    /** With another diameter of one pulley. */
    public function sized(string $name, float $d): self
    {
        $pulleys = array_map(static fn (Pulley $one): Pulley => $one->name === $name ? $one->sized($d) : $one, $this->pulleys);

        return new self(
            $this->id, $this->name, $this->section, $pulleys, [$this->tensioner, $this->idler], $this->belt, $this->blower, $this->item,
        );
    }

    public function named(string $name): ?Pulley
    {
        foreach ($this->pulleys as $pulley) {
            if ($pulley->name === $name) {
                return $pulley;
            }
        }

        return null;
    }

    public function driver(): ?Pulley
    {
        return $this->pulleys[Pulley::driver($this->pulleys)] ?? null;
    }
}
