<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\ChargeAir\Door;

use NimbleKnuckle\Core\ChargeAir\Coupler;
use NimbleKnuckle\Core\ChargeAir\CouplerMatch;
use NimbleKnuckle\Core\ChargeAir\PipeJoint;
use NimbleKnuckle\Core\Quantity\Kind;
use NimbleKnuckle\Core\Quantity\Show;
use NimbleKnuckle\Core\Sum\Check;
use NimbleKnuckle\Core\Sum\Entries;
use NimbleKnuckle\Core\Sum\Entry;
use NimbleKnuckle\Core\Sum\Inputs;
use NimbleKnuckle\Core\Sum\InvalidInput;

/** Which clamp of the box goes over which end: the pipe with the hose’s wall twice, near the middle of its range. mm. */
final readonly class ClampChoice
{
    private const NONE = 'none';

    /** @param list<Entry> $clamps */
    public function __construct(private array $clamps = [])
    {
    }

    public static function read(Inputs $in): self
    {
        if (!$in->has('clamps')) {
            return new self();
        }
        $columns = new Entries(['min' => Kind::Length, 'max' => Kind::Length], ['kind' => ['worm', 't-bolt', 'spring']]);
        $clamps = $columns->of($in, 'clamps');
        foreach ($clamps as $i => $one) {
            $one->number('max') > $one->number('min') || throw InvalidInput::in(
                'clamps', sprintf('Clamp %d goes from the smaller to the larger: “small 55 70”.', $i + 1),
            );
        }

        return new self($clamps);
    }

    /**
     * @param list<PipeJoint> $joints
     * @param list<Coupler> $couplers
     *
     * @return list<string> two for each joint, in order
     */
    public function names(CouplerMatch $match, array $joints, array $couplers): array
    {
        $names = [];
        foreach ([] === $this->clamps ? [] : $match->joined as $i => [$j]) {
            foreach ([$joints[$i]->a, $joints[$i]->b] as $d) {
                $best = $this->best($d + 2 * $couplers[$j]->wall);
                $names[] = null === $best ? self::NONE : $best->name;
            }
        }

        return $names;
    }

    /**
     * @param list<PipeJoint> $joints
     * @param list<Coupler> $couplers
     *
     * @return list<Check>
     */
    public function checks(CouplerMatch $match, array $joints, array $couplers): array
    {
        $checks = [];
        foreach ([] === $this->clamps ? [] : $match->joined as $i => [$j]) {
            foreach ([$joints[$i]->a, $joints[$i]->b] as $d) {
                $over = $d + 2 * $couplers[$j]->wall;
                $checks[] = null === $this->best($over) ? Check::stop(
                    'no-clamp', sprintf('%s: no clamp of the box goes round %s mm.', ucfirst($joints[$i]->name), Show::n($over, 3)),
                ) : null;
            }
        }

        return array_values(array_filter($checks));
    }

    private function best(float $over): ?Entry
    {
        $off = static fn (Entry $one): float => abs($over - ($one->number('min') + $one->number('max')) / 2)
            / ($one->number('max') - $one->number('min'));
        $fits = array_filter($this->clamps, static fn (Entry $one): bool => $over >= $one->number('min') && $over <= $one->number('max'));
        usort($fits, static fn (Entry $a, Entry $b): int => $off($a) <=> $off($b));

        return $fits[0] ?? null;
    }
}
