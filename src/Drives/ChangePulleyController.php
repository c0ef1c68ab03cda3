<?php

declare(strict_types=1);

namespace NimbleKnuckle\App\Drives;

use NimbleKnuckle\App\Accounts\AccountRecord;
use NimbleKnuckle\App\Accounts\May;
use NimbleKnuckle\App\Garage\Garage;
use NimbleKnuckle\App\Storage\ChangedMeanwhile;
use NimbleKnuckle\App\Workshop\WorkshopBook;
use NimbleKnuckle\Core\BeltDrive\Door\DriveReading;
use NimbleKnuckle\Core\BeltDrive\Drive;
use NimbleKnuckle\Core\BeltDrive\Pulley;
use NimbleKnuckle\Core\BeltDrive\PulleySizeTrial;
use NimbleKnuckle\Core\BeltDrive\Side;
use NimbleKnuckle\Core\BeltDrive\Sweep;
use NimbleKnuckle\Core\BeltDrive\SweepDrawing;
use NimbleKnuckle\Core\CoreException;
use NimbleKnuckle\Core\Document\Node;
use NimbleKnuckle\Core\Fluids\Air;
use NimbleKnuckle\Core\Quantity\InvalidQuantity;
use NimbleKnuckle\Core\Quantity\Kind;
use NimbleKnuckle\Core\Quantity\Notation;
use NimbleKnuckle\Core\Sum\InvalidInput;
use Symfony\Bundle\FrameworkBundle\Controller\AbstractController;
use Symfony\Component\HttpFoundation\InputBag;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\Routing\Attribute\Route;
use Symfony\Component\Security\Http\Attribute\CurrentUser;
use Symfony\Component\Security\Http\Attribute\IsGranted;

/** Another size of a pulley: tried over many, looked at one by one, which belt of the shelf then fits; and put on the sheet. */
final class ChangePulleyController extends AbstractController
{
    private const AT = ['id' => '[a-z0-9-]{1,80}', 'name' => '[a-z0-9][a-z0-9.-]{0,79}'];
    private const SHELF_MOST = 40;

    public function __construct(private readonly WorkshopBook $workshop)
    {
    }

    #[Route('/vehicles/{id}/drives/{name}/change', name: 'change_pulley', requirements: self::AT, methods: ['GET'])]
    public function __invoke(string $id, string $name, Request $request, Garage $garage, DriveShelf $shelf): Response
    {
        $vehicle = $garage->get($id);
        $drive = Drive::read(Node::of($shelf->document($vehicle, $name)));
        $ribbed = array_values(array_filter($drive->pulleys, static fn (Pulley $one): bool => Side::Ribs === $one->side));
        $asked = $request->query;
        $pulley = $drive->named($asked->getString('pulley')) ?? $drive->named($drive->blower->pulley ?? '') ?? $ribbed[1] ?? $ribbed[0];
        $error = '';
        [$d, $crank, $belts] = [$pulley->d, null, []];
        try {
            $d = self::size($asked, 'd') ?? $pulley->d;
            $crank = self::size($asked, 'crank');
            $belts = self::shelf($asked->getString('shelf'));
        } catch (InvalidInput $e) {
            $error = $e->getMessage();
        }
        $sweep = Sweep::of($drive, $pulley->name, $crank);
        $trial = PulleySizeTrial::of($drive, $pulley->name, $d, $crank);

        return $this->render('drives/change.html.twig', [
            'vehicle' => $vehicle, 'name' => $name, 'drive' => $drive, 'ribbed' => $ribbed, 'pulley' => $pulley, 'error' => $error,
            'asked' => $asked->all(), 'sweep' => $sweep, 'drawing' => SweepDrawing::of($sweep, $pulley->d, $d),
            'before' => PulleySizeTrial::of($drive, $pulley->name, $pulley->d), 'after' => $trial, 'picture' => $trial->state->drawing(),
            'air' => Air::at($this->workshop->now()->altitude ?? 0.0)->pressure, 'belts' => self::placed($trial, $belts),
            'seen' => ChangedMeanwhile::mark($shelf->document($vehicle, $name)), 'd' => $d, 'crank' => $crank,
        ]);
    }

    /** What was tried goes on the vehicle sheet: the size, the crank’s too, and the belt that was chosen for it. */
    #[Route('/vehicles/{id}/drives/{name}/change', name: 'keep_pulley', requirements: self::AT, methods: ['POST'])]
    #[IsGranted(May::KeepVehicles->value)]
    public function keep(
        string $id, string $name, Request $request, Garage $garage, DriveShelf $shelf, #[CurrentUser] AccountRecord $person,
    ): Response {
        $vehicle = $garage->get($id);
        $document = $shelf->document($vehicle, $name);
        $drive = Drive::read(Node::of($document));
        $in = $request->request;
        try {
            $shelf->keep($vehicle, self::changed($drive, $document, $in), $in->getString('seen'), $person->name);
            $this->addFlash('good', 'On the vehicle sheet. Fits in hand keep theirs; it can be undone under Edit.');

            return $this->redirectToRoute('drive', ['id' => $id, 'name' => $name], Response::HTTP_SEE_OTHER);
        } catch (CoreException $e) {
            $this->addFlash('bad', $e->getMessage());
            $back = ['id' => $id, 'name' => $name] + array_filter([
                'pulley' => $in->getString('pulley'), 'd' => $in->getString('d'), 'crank' => $in->getString('crank'),
                'shelf' => $in->getString('shelf'),
            ]);

            return $this->redirectToRoute('change_pulley', $back, Response::HTTP_SEE_OTHER);
        }
    }

    /**
     * @param array<array-key, mixed> $document as it stands in the vehicle sheet
     * @param InputBag<string> $in
     *
     * @return array<array-key, mixed>
     */
    private static function changed(Drive $drive, array $document, InputBag $in): array
    {
        $pulley = $drive->named($in->getString('pulley')) ?? throw InvalidInput::in('pulley', 'No pulley has that name.');
        $sizes = [$pulley->name => self::size($in, 'd')] + [$drive->driver()->name ?? '' => self::size($in, 'crank')];
        $pulleys = is_array($document['pulleys'] ?? null) ? $document['pulleys'] : [];
        foreach ($pulleys as $i => $one) {
            $at = is_array($one) && is_string($one['name'] ?? null) ? $one['name'] : '';
            $pulleys[$i] = is_array($one) && isset($sizes[$at]) ? ['d' => $sizes[$at]] + $one : $one;
        }
        $belt = trim($in->getString('belt'));
        '' === $belt || DriveReading::length('shelf', $belt);

        return ['pulleys' => $pulleys] + ('' === $belt ? [] : ['belt' => $belt]) + $document;
    }

    /** @param InputBag<string> $asked */
    private static function size(InputBag $asked, string $field): ?float
    {
        $text = trim($asked->getString($field));
        if ('' === $text) {
            return null;
        }
        try {
            $d = Notation::read(Kind::Length, $text)->value();
        } catch (InvalidQuantity $e) {
            throw InvalidInput::in($field, $e->getMessage());
        }

        return $d > 10.0 && $d < 1000.0 ? $d : throw InvalidInput::in($field, 'A pulley is between 10 and 1000 mm across.');
    }

    /** @return array<string, float> as it was written => length in mm */
    private static function shelf(string $text): array
    {
        $belts = [];
        foreach (array_slice(preg_split('~[;,\n]+~', $text) ?: [], 0, self::SHELF_MOST) as $one) {
            '' === trim($one) || $belts[trim($one)] = DriveReading::length('shelf', trim($one));
        }

        return $belts;
    }

    /**
     * @param array<string, float> $belts
     *
     * @return list<array{said: string, travel: float, fits: bool, isBest: bool}>
     */
    private static function placed(PulleySizeTrial $trial, array $belts): array
    {
        $fit = $trial->state->fit;
        if (null === $fit || [] === $belts) {
            return [];
        }
        $best = $fit->best(array_values($belts));
        $rows = [];
        foreach (array_keys($belts) as $i => $said) {
            $place = $fit->place($belts[$said]);
            $rows[] = [
                'said' => (string) $said, 'travel' => $place->travel, 'fits' => $place->fits(),
                'isBest' => $i === $best && $place->fits(),
            ];
        }

        return $rows;
    }
}
