<?php

declare(strict_types=1);

namespace NimbleKnuckle\App\Exchange;

use NimbleKnuckle\Core\Bench\Fit;
use NimbleKnuckle\Core\Bench\Joint\TighteningStage;
use NimbleKnuckle\Core\Bench\Joint\TighteningStages;
use NimbleKnuckle\Core\Kit\Kit;
use NimbleKnuckle\Core\Kit\WrenchAdvice;
use NimbleKnuckle\Core\Procedure\StepKind;
use NimbleKnuckle\Core\Quantity\Digits;
use NimbleKnuckle\Core\Tightening\CardGeometry;
use NimbleKnuckle\Core\Vehicle\Joint;

/** What paper needs of a fit that a screen shows by itself: settings of this kit, bolt cards, labels for what comes off. */
final readonly class Printed
{
    public function __construct(private Fit $fit, private Kit $kit)
    {
    }

    /** @return array<string, CardGeometry> joint => its card, where more than one fastener has an order */
    public function cards(): array
    {
        $cards = [];
        foreach ($this->fit->sheet->doing(StepKind::Tighten) as $step) {
            $joint = $this->fit->vehicle->joints[$step->target->joint] ?? null;
            if (null !== $joint && $joint->count() > 1) {
                $cards[$joint->id] = CardGeometry::of($joint->pattern->layout, $joint->fastener->named->known->diameter ?? 0.0);
            }
        }

        return $cards;
    }

    /** @return array<string, list<string>> joint => how each pass is set on a wrench of this kit, then how far it turns on */
    public function settings(): array
    {
        $settings = [];
        foreach ($this->fit->vehicle->joints as $joint) {
            $settings[$joint->id] = $joint->hasFigure() ? $this->settingsOf($joint) : [];
        }

        return $settings;
    }

    /** @return list<string> */
    private function settingsOf(Joint $joint): array
    {
        $said = [];
        $pulls = array_filter(
            TighteningStages::of($joint)->rungs, static fn (TighteningStage $rung): bool => $rung->degrees > 0.0 && !$rung->isByTorque()
        );
        foreach (TighteningStages::of($joint)->rungs as $rung) {
            if (!$rung->isByTorque()) {
                continue;
            }
            $advice = WrenchAdvice::for($this->kit, $joint, $joint->torqueAt($rung->share));
            $said[] = null === $advice->wrench || null === $advice->setting
                ? sprintf('%s: no wrench of the kit reaches it', $rung->label)
                : sprintf(
                    '%s: set %s%sN·m on the %s', $rung->label, Digits::significant($advice->setting->setting()->newtonMetres, 3, true),
                    Digits::GROUP, $advice->wrench->name,
                );
        }
        $degrees = array_sum(array_map(static fn (TighteningStage $rung): float => $rung->degrees, $pulls));
        if ($degrees > 0.0) {
            $said[] = sprintf('then %s° further in %d pull%s', round($degrees), count($pulls), 1 === count($pulls) ? '' : 's');
        }

        return $said;
    }

    /**
     * A label for each tray: what lies in it, where it came from, when it goes back.
     *
     * @return list<array{number: int, name: string, pieces: list<string>, figures: list<string>, back: int}> back is 0 where nothing says
     */
    public function labels(): array
    {
        $labels = [];
        foreach ($this->fit->sheet->doing(StepKind::Remove) as $step) {
            $back = 0;
            foreach ($this->fit->sheet->doing(StepKind::Refit) as $refit) {
                $back = $refit->target->item === $step->target->item ? $this->fit->sheet->placeOf($refit->id) + 1 : $back;
            }
            $labels[] = [
                'number' => $this->fit->sheet->placeOf($step->id) + 1,
                'name' => $this->fit->vehicle->items[$step->target->item]->name ?? $step->words->title,
                'pieces' => array_map(static fn ($line): string => $line->count.' × '.$line->thing, $step->needs->tray),
                'figures' => array_values(array_filter(array_map(
                    static fn (Joint $joint): string => $joint->whole(), $this->fit->vehicle->jointsOf($step->target->item),
                ))),
                'back' => $back,
            ];
        }

        return $labels;
    }
}
