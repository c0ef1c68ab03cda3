<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\ChargeAir;

/** Joint by joint: the two pipe ends and the hose that joins them, diameters to one scale; those nothing fits stand open. */
final readonly class BoxDrawing
{
    private const ROW = 130.0;
    private const HIGH = 78.0;

    /**
     * @param list<array{name: string, y: float, left: float, right: float, a: float, b: float, hose: string, hoseLeft: float,
     *     hoseRight: float, end: string, turned: bool, angle: float, bead: bool}> $rows
     */
    private function __construct(public array $rows, public float $height)
    {
    }

    /**
     * @param non-empty-list<PipeJoint> $joints
     * @param list<Coupler> $couplers
     */
    public static function of(array $joints, array $couplers, CouplerMatch $match): self
    {
        $scale = self::HIGH / max(array_map(static fn (PipeJoint $one): float => max($one->a, $one->b), $joints));
        $rows = [];
        foreach ($joints as $i => $joint) {
            $fit = $match->joined[$i][1] ?? null;
            $hose = null === $fit ? null : $couplers[$match->joined[$i][0]];
            $turned = $fit->isTurned ?? false;
            $rows[] = [
                'name' => $joint->name, 'y' => self::ROW * $i + self::ROW * 0.56, 'left' => $scale * $joint->a,
                'right' => $scale * $joint->b,
                'a' => $joint->a, 'b' => $joint->b, 'hose' => $hose->name ?? '',
                'hoseLeft' => null === $hose ? 0.0 : $scale * (($turned ? $hose->b : $hose->a) + 2 * $hose->wall),
                'hoseRight' => null === $hose ? 0.0 : $scale * (($turned ? $hose->a : $hose->b) + 2 * $hose->wall),
                'end' => $fit->end ?? 'missing', 'turned' => $turned, 'angle' => $joint->angle, 'bead' => $joint->hasBead,
            ];
        }

        return new self($rows, self::ROW * count($joints) + 8);
    }
}
