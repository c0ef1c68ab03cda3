<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Sealing;

use NimbleKnuckle\Core\Formula\Formula;
use NimbleKnuckle\Core\Formula\Term;
use NimbleKnuckle\Core\Quantity\Length;
use NimbleKnuckle\Core\Quantity\Volume;

/**
 * A joint face by one of its ways: whether the way suits it, and the bead of a sealant. The bead, spread over the width of the
 * flange, fills the gap and somewhat more. Least bead, most bead and the gaps each way bridges are
 * working values.
 */
final readonly class FaceSeal
{
    /** mm. */
    private const LEAST_BEAD = ['anaerobic' => 1.0, 'silicone' => 2.0];
    public const MOST_BEAD = 5.0;
    /** mm that each way bridges: past the first with care, past the second not at all. */
    public const GAPS = ['gasket' => [0.10, 0.25], 'ring' => [0.05, 0.15], 'anaerobic' => [0.25, 0.25], 'reuse' => [0.05, 0.10]];
    private const MORE = 1.3;

    private function __construct(
        public Length $width, public Length $length, public Length $gap, public Face $face, public Sealed $fluid, public ?FaceWay $was,
    ) {
    }

    /**
     * @param Length $width of the flange
     * @param Length $length once round it
     * @param Length $gap the widest, by straight edge and feeler
     * @param ?FaceWay $was what was there; null where nobody knows
     */
    public static function of(Length $width, Length $length, Length $gap, Face $face, Sealed $fluid, ?FaceWay $was): self
    {
        return new self($width, $length, $gap, $face, $fluid, $was);
    }

    /** Its diameter as it is laid; nothing for what needs none. */
    public function bead(FaceWay $way): Length
    {
        return Length::millimetres($way->isSealant() ? max(self::leastBead($way)->millimetres, $this->filling()->millimetres) : 0.0);
    }

    public static function leastBead(FaceWay $way): Length
    {
        return Length::millimetres(self::LEAST_BEAD[$way->value] ?? 0.0);
    }

    /** The bead that just fills the gap with a third to spare, before it is held to a least one. */
    public function filling(): Length
    {
        return Length::millimetres($this->fillingFormula()->value);
    }

    /** mm. */
    public function fillingFormula(): Formula
    {
        return Formula::of('d = √(4 × more b g / π)', [
            'more' => Term::fixed(self::MORE), 'b' => $this->width->millimetres, 'g' => $this->gap->millimetres,
        ]);
    }

    public function amount(FaceWay $way): Volume
    {
        return Volume::litres($this->amountFormula($way)->value / 1e6);
    }

    /** mm³. */
    public function amountFormula(FaceWay $way): Formula
    {
        return Formula::of('π d² l / 4', ['d' => $this->bead($way)->millimetres, 'l' => $this->length->millimetres]);
    }

    public function suits(FaceWay $way): FaceFit
    {
        return $this->gapFor($way) ?? match ($way) {
            FaceWay::Gasket => $this->hadRoom() ? FaceFit::Suits : FaceFit::HeightIsAdded,
            FaceWay::Ring => null === $this->was || FaceWay::Ring === $this->was ? FaceFit::Suits : FaceFit::NoGroove,
            FaceWay::Reuse => match (true) {
                Sealed::Fuel === $this->fluid => FaceFit::ReusedInFuel,
                FaceWay::Gasket === $this->was, FaceWay::Ring === $this->was => FaceFit::Suits,
                default => FaceFit::NothingToReuse,
            },
            FaceWay::Anaerobic => Face::Pressed === $this->face ? FaceFit::NotRigid : $this->thinner(),
            FaceWay::Silicone => match (true) {
                Sealed::Fuel === $this->fluid => FaceFit::InFuel,
                $this->bead($way)->millimetres > self::MOST_BEAD => FaceFit::BeadTooThick,
                default => $this->thinner(),
            },
        };
    }

    private function gapFor(FaceWay $way): ?FaceFit
    {
        [$care, $most] = self::GAPS[$way->value] ?? [\INF, \INF];

        return match (true) {
            $this->gap->millimetres > $most => FaceFit::GapTooWide,
            $this->gap->millimetres > $care => FaceFit::GapWide,
            default => null,
        };
    }

    /** Whether a gasket lay between the faces, or nobody knows better. */
    private function hadRoom(): bool
    {
        return in_array($this->was, [null, FaceWay::Gasket, FaceWay::Reuse], true);
    }

    /** A sealant is thinner than the gasket that was there. */
    private function thinner(): FaceFit
    {
        return FaceWay::Gasket === $this->was ? FaceFit::HeightIsLost : FaceFit::Suits;
    }

    /** @return list<FaceWay> what suits it without a doubt, what was there first */
    public function fitting(): array
    {
        $fits = array_values(array_filter(
            FaceWay::cases(), fn (FaceWay $way): bool => FaceWay::Reuse !== $way && FaceFit::Suits === $this->suits($way),
        ));
        usort($fits, fn (FaceWay $a, FaceWay $b): int => ($b === $this->was) <=> ($a === $this->was));

        return $fits;
    }
}
