<?php

declare(strict_types=1);

namespace NimbleKnuckle\App\Demo;

use NimbleKnuckle\App\Fits\Recorder;
use NimbleKnuckle\App\Fluids\FluidBook;
use NimbleKnuckle\App\Garage\Garage;
use NimbleKnuckle\App\Planning\FitPlanner;
use NimbleKnuckle\Core\Bench\Event\Authority;
use NimbleKnuckle\Core\Bench\Event\EventType;
use NimbleKnuckle\Core\Procedure\StepKind;
use Psr\Clock\ClockInterface;

/** Loads the demo workshop, and puts its fits in the state they are in. */
final readonly class DemoLoader
{
    private const HISTORY = 40;
    private const HISTORY_DAYS = 730;

    public function __construct(
        private DemoWorkshop $workshop,
        private FluidBook $fluids,
        private Garage $garage,
        private FitPlanner $planner,
        private Recorder $recorder,
        private History $history,
        private ClockInterface $clock,
        private DemoIntervals $intervals,
    ) {
    }

    /** @throws \DomainException where somebody real has an account */
    public function ensureNobodyReal(): void
    {
        $this->workshop->ensureNobodyReal();
    }

    public function isLoaded(): bool
    {
        return $this->workshop->isLoaded();
    }

    public function load(bool $withHistory = true): void
    {
        $names = $this->workshop->load();
        if ($withHistory) {
            $this->history->make(self::HISTORY, self::HISTORY_DAYS, $names['mechanic'], $names['lead'], $names['helper'] ?? null);
        }
        $this->fluidsOfTheTarn($names['mechanic']);
        $this->intervals->load($names['mechanic']);
        $this->finishedOnTheDrover($names['mechanic'], $names['lead']);
        $this->plannedOnTheVane($names['mechanic']);
        $this->interruptedOnTheTarn($names['mechanic']);
    }

    /** Two years of looking: a strength that sinks with each top-up of plain water, oil that is used a little. */
    private function fluidsOfTheTarn(string $mechanic): void
    {
        foreach ([
            [
                'coolant', 'filled', 730, 61_200, ['litres' => '6.4 L', 'percent' => '50 %', 'family' => 'OA-7'],
            ], ['coolant', 'topped-up', 729, 61_210, ['litres' => '0.15 L', 'note' => 'next morning']],
            [
                'coolant', 'strength', 548, 65_900, ['percent' => '48 %'],
            ], [
                'coolant', 'topped-up', 410, 69_300, ['litres' => '0.3 L', 'note' => 'water, on the road'],
            ], ['coolant', 'strength', 365, 70_400, ['percent' => '44 %']],
            [
                'coolant', 'topped-up', 190, 74_800, ['litres' => '0.4 L', 'note' => 'water again'],
            ], ['coolant', 'strength', 60, 78_100, ['percent' => '39 %']],
            [
                'oil', 'filled', 400, 69_500, ['litres' => '4.8 L', 'after' => '21 mm'],
            ], ['oil', 'topped-up', 300, 72_000, ['litres' => '0.4 L', 'before' => '13 mm', 'after' => '20 mm']],
            [
                'oil', 'topped-up', 190, 74_800, ['litres' => '0.5 L', 'before' => '11 mm', 'after' => '19 mm'],
            ], ['oil', 'dip', 60, 78_100, ['after' => '12 mm']],
        ] as [$circuit, $kind, $days, $km, $more]) {
            $this->fluids->enter(
                'veldra-tarn-20t', $circuit, ['kind' => $kind, 'km' => (string) $km] + $more, $mechanic,
                $this->clock->now()->modify(sprintf('-%d days', $days)),
            );
        }
    }

    /** Signed off yesterday: the level is due today, the bolts at 300 km. */
    private function finishedOnTheDrover(string $mechanic, string $lead): void
    {
        $start = $this->clock->now()->modify('-1 day')->setTime(9, 20);
        $fit = $this->planner->plan(
            $this->garage->get('corrin-drover-27d'), ['water-pump'], ['pump-fill' => 'vacuum'], $mechanic,
            $start->modify('-2 days'),
        );
        $this->history->finish($fit, $start, 1.1, $mechanic, $lead);
    }

    private function plannedOnTheVane(string $mechanic): void
    {
        $this->planner->plan(
            $this->garage->get('ostrel-vane-s6'), ['serpentine-belt'], ['belt-look' => 'shed'], $mechanic,
            $this->clock->now()->modify('-3 hours'),
        );
    }

    /** Stripped, coolant out, two of three housing bolts tight, one washer dropped and not found. */
    private function interruptedOnTheTarn(string $mechanic): void
    {
        $start = $this->clock->now()->modify('-125 minutes');
        $fit = $this->planner->plan(
            $this->garage->get('veldra-tarn-20t'), ['thermostat-under'], ['fill' => 'vacuum', 'sign' => 'cool'], $mechanic,
            $start->modify('-1 day'),
        );
        $player = (new FitPlayer($fit->sheet(), $fit->vehicleSheet(), $mechanic, $start, 0.9))->untilStep('housing-tight');
        $tighten = $fit->sheet()->doing(StepKind::Tighten)[0] ?? throw new \LogicException('The thermostat sheet tightens its housing.');
        $player->add(EventType::Dropped, ['what' => 'copper washer of the vent screw', 'step' => 'housing-on'])
            ->note($tighten)->tighten($tighten, 2)
            ->add(EventType::Noted, ['text' => 'Parcel at the door. Washer fell towards the subframe.', 'step' => $tighten->id]);
        $this->recorder->record($fit, $player->events(), Authority::Mechanic);
    }
}
