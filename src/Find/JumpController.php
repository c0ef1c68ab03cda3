<?php

declare(strict_types=1);

namespace NimbleKnuckle\App\Find;

use NimbleKnuckle\App\Accounts\AccountBook;
use NimbleKnuckle\App\Procedures\ProcedureShelf;
use NimbleKnuckle\Core\Quantity\Conversion;
use NimbleKnuckle\Core\Sum\SumBook;
use Symfony\Bundle\FrameworkBundle\Controller\AbstractController;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\Routing\Attribute\Route;

/**
 * Finds a fit, a vehicle, a part, a joint, a procedure, a person, a sum or a page by a few letters; converts what is written with
 * a unit.
 */
final class JumpController extends AbstractController
{
    private const PAGES = [
        'yard' => 'Yard', 'fits' => 'Fits', 'vehicles' => 'Vehicles', 'sums' => 'Sums', 'kit' => 'Kit', 'logbook' => 'Logbook',
        'practice' => 'Practice', 'procedures' => 'Procedures', 'import' => 'Import a fit', 'me' => 'Password and PIN',
    ];

    #[Route('/jump', name: 'jump', methods: ['GET'])]
    public function __invoke(
        Request $request, FindBook $book, SumBook $sums, ProcedureShelf $shelf, AccountBook $accounts,
    ): Response {
        $words = mb_substr(trim($request->query->getString('q')), 0, 80);
        $hits = [];
        foreach (self::PAGES as $route => $label) {
            $hits[] = new Hit($label, 'page', $route);
        }
        foreach ($shelf->all() as $procedure) {
            $hits[] = new Hit($procedure->title, 'procedure', 'procedure', ['id' => $procedure->id]);
        }
        foreach ($accounts->all() as $person) {
            $hits[] = new Hit($person->name, $person->role->value, 'fits', ['person' => $person->name]);
        }
        foreach ($sums->all() as $sum) {
            $hits[] = new Hit($sum->about()->summary, 'sum '.$sum->about()->name, 'sum', ['name' => $sum->about()->name]);
        }

        $named = array_filter($hits, static fn (Hit $hit): bool => $hit->speaksOf($words));

        return $this->render('find/jump.html.twig', [
            'hits' => [...$book->find($words), ...array_values($named)],
            'words' => $words, 'conversions' => Conversion::of($words),
        ]);
    }
}
