<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Plan\Vehicle;

use NimbleKnuckle\Core\Bolting\Thread;
use NimbleKnuckle\Core\Document\Node;
use NimbleKnuckle\Core\Quantity\Angle;
use NimbleKnuckle\Core\Quantity\Figure;
use NimbleKnuckle\Core\Quantity\Length;
use NimbleKnuckle\Core\Quantity\Origin;
use NimbleKnuckle\Core\Sum\InvalidInput;
use NimbleKnuckle\Core\Tightening\Layout;
use NimbleKnuckle\Core\Tightening\Pulls;
use NimbleKnuckle\Core\Tightening\TakeUp;

/** A group of like fasteners that clamp one thing. The figure is kept as it was written, with where it came from. */
final readonly class Joint
{
    /** Friction by what is on the thread, where the sheet does not say it itself. */
    private const FRICTIONS = [
        'dry' => 'dry zinc', 'oil' => 'oiled', 'oiled' => 'oiled', 'anti-seize' => 'anti-seize', 'thread sealant' => 'oiled',
        'sealant' => 'oiled',
        'threadlocker' => 'threadlocker wet', 'medium threadlocker' => 'threadlocker wet',
        'high-strength threadlocker' => 'threadlocker wet',
    ];

    /**
     * @param list<float> $passes percent of the figure, the last one 100
     * @param list<string> $labels what the card says beside each fastener, in order
     * @param list<string> $when “loaded”: only with the weight on; “room”: only while it is raised or lowered out of the way
     * @param string $set joints of one set are all loosely in before any is tightened
     * @param float $cure minutes its compound needs before load, fluid or heat
     * @param float $angle degrees after the figure, made in pulls of “swing” degrees
     * @param string $toolOff what undoes it, where that is not what does it up again
     * @param float $sealTravel mm a soft seal lets the part come down before metal meets metal
     * @param float $gap mm the part is drawn down by, evenly, before it lies flat
     * @param list<int> $first fasteners tightened before the others, the big one among small ones
     * @param list<string> $lengths which bolt goes in which hole: “20 mm” and so on, in the order of the card
     * @param bool $check once more round at the full figure
     * @param float $longest mm, the maker's limit for using a bolt again
     */
    public function __construct(
        public string $id,
        public string $role,
        public string $name,
        public string $item,
        public Layout $layout,
        public string $outline,
        public string $thread,
        public string $length,
        public string $grade,
        public string $material,
        public string $friction,
        public JointFigure $spec,
        public array $passes,
        public string $compound,
        public string $reuse,
        public string $tool,
        public string $toolOff,
        public bool $isLeftHand,
        public float $sealTravel,
        public float $adapter,
        public float $adapterAngle,
        public string $adapterName,
        public string $note,
        public array $labels,
        public array $when,
        public string $set,
        public float $cure,
        public float $angle,
        public float $swing,
        public float $gap,
        public array $first,
        public array $lengths,
        public bool $check,
        public bool $intoYield,
        public float $longest,
        public float $shank,
        public float $threaded,
        public string $member,
    ) {
    }

    public static function read(Node $node): self
    {
        $id = $node->string('id');
        try {
            $layout = Layout::parse($node->raw()['layout'] ?? null);
        } catch (InvalidInput $e) {
            throw $node->refuse('layout', $e->getMessage());
        }
        $passes = $node->floats('passes');
        if ([] !== $passes && 100.0 !== $passes[count($passes) - 1]) {
            throw $node->refuse('passes', 'the last pass is 100 percent.');
        }
        $adapter = $node->node('adapter');
        $spec = JointFigure::read($node);
        $angle = self::within($node, 'angle', 0.0, 1080.0);
        $angle > 0.0 && $spec->angle() > 0.0 && abs($angle - $spec->angle()) > 0.5 && throw $node->refuse(
            'angle', sprintf('the figure says %s° further, and this says %s°.', round($spec->angle(), 1), $angle),
        );
        $compound = $node->string('compound', '');
        $hand = $node->string('hand', 'right');
        in_array($hand, ['right', 'left'], true) || throw $node->refuse('hand', 'a thread is right or left.');

        return new self(
            $id, $node->string('role', $id), $node->string('name'), $node->string('item', ''), $layout, $node->string('outline', 'plate'),
            $node->string('thread', ''), $node->string('length', ''), $node->string('grade', ''), $node->string('material', ''),
            $node->string('friction', '') ?: self::frictionOf($compound),
            $spec, [] === $passes ? [100.0] : $passes,
            $compound, $node->string('reuse', 'reuse'), $node->string('tool', ''), $node->string('tool_off', ''), 'left' === $hand,
            self::within($node, 'seal_travel', 0.0, 20.0),
            $adapter->float('length', 0.0), $adapter->float('angle', 0.0), $adapter->string('name', ''), $node->string('note', ''),
            $node->strings('labels'),
            $node->strings('when'), $node->string('set', ''), $node->float('cure', 0.0),
            $angle > 0.0 ? $angle : max($spec->angle(), $spec->partTurn), self::within($node, 'swing', 0.0, 360.0),
            self::within($node, 'gap', 0.0, 100.0),
            self::firstOf($node, $layout), self::lengthsOf($node, $layout), $node->bool('check'), $node->bool('into_yield'),
            self::within($node, 'longest', 0.0, 1000.0),
            $node->node('grip')->float('shank', 0.0), $node->node('grip')->float('threaded', 0.0),
            $node->node('grip')->string('member', ''),
        );
    }

    /** A thread nobody said anything of is dry. */
    private static function frictionOf(string $compound): string
    {
        return self::FRICTIONS[mb_strtolower(str_replace('high strength', 'high-strength', $compound))] ?? 'dry zinc';
    }

    private static function within(Node $node, string $name, float $low, float $high): float
    {
        $value = $node->float($name, 0.0);

        return $value >= $low && $value <= $high ? $value : throw $node->refuse(
            $name, sprintf('a number from %s to %s is needed.', $low, $high),
        );
    }

    /** @return list<int> */
    private static function firstOf(Node $node, Layout $layout): array
    {
        $first = array_values(array_unique(array_map(intval(...), $node->floats('first'))));
        foreach ($first as $bolt) {
            $bolt >= 1 && $bolt <= $layout->count() || throw $node->refuse(
                'first', sprintf('the fasteners are numbered 1 to %d.', $layout->count()),
            );
        }

        return $first;
    }

    /** @return list<string> */
    private static function lengthsOf(Node $node, Layout $layout): array
    {
        $lengths = $node->strings('lengths');

        return [] === $lengths || count($lengths) === $layout->count() ? $lengths : throw $node->refuse(
            'lengths', sprintf('one length for each of the %d fasteners is needed.', $layout->count()),
        );
    }

    /** @return list<int> the order of tightening: those that go first, then the others as the layout says */
    public function order(): array
    {
        return [...$this->first, ...array_values(array_diff($this->layout->order(), $this->first))];
    }

    /** The rounds in which a gap is taken up, half a turn at a time; null without a gap or a thread we know. */
    public function takeUp(): ?Pulls
    {
        try {
            return $this->gap <= 0.0 ? null : TakeUp::of(
                Thread::parse($this->thread), Length::millimetres($this->gap), Angle::degrees(TakeUp::STEP),
            )->rounds;
        } catch (InvalidInput) {
            return null;
        }
    }

    /** @return array<string, int> length => how many, “” where all are alike */
    public function byLength(): array
    {
        return [] === $this->lengths ? [$this->length => $this->count()] : array_count_values($this->lengths);
    }

    public function count(): int
    {
        return $this->layout->count();
    }

    public function hasFigure(): bool
    {
        return $this->spec->hasTorque();
    }

    /** Whether it is tightened from snug by a part of a turn, with no torque stated. */
    public function isByTurn(): bool
    {
        return $this->spec->partTurn > 0.0;
    }

    public function stated(): string
    {
        return $this->spec->stated;
    }

    public function origin(): Origin
    {
        return $this->spec->origin;
    }

    /** The stated figure; of a range the end that was chosen. */
    public function figure(): Figure
    {
        return $this->spec->figure();
    }

    /** Torque in N·m at a share of the figure, percent. */
    public function torqueAt(float $share): float
    {
        return $this->spec->target() * $share / 100;
    }

    /** Degrees it turns on in all: the angle, and what a soft seal lets a cover come down where it is tightened by a turn. */
    public function turn(): float
    {
        return $this->angle + $this->turnForSeal();
    }

    /** Degrees that squeeze the seal; 0 where none is said, or the torque squeezes it before. */
    public function turnForSeal(): float
    {
        try {
            return $this->isByTurn() && $this->sealTravel > 0.0 ? 360 * $this->sealTravel / Thread::parse($this->thread)->pitch : 0.0;
        } catch (InvalidInput) {
            return 0.0;
        }
    }

    /** Which way a fastener is turned. */
    public function wayOff(): string
    {
        return $this->isLeftHand ? 'clockwise' : 'anticlockwise';
    }

    public function wayOn(): string
    {
        return $this->isLeftHand ? 'anticlockwise' : 'clockwise';
    }

    /** The tool that undoes it; new fasteners of the same joint may take another. */
    public function undoneWith(): string
    {
        return '' === $this->toolOff ? $this->tool : $this->toolOff;
    }

    public function boltLabel(int $bolt): string
    {
        return $this->labels[$bolt - 1] ?? $this->lengths[$bolt - 1] ?? '';
    }

    public function isNew(): bool
    {
        return 'new' === $this->reuse;
    }
}
