package dev.halfdusk.app.exchange;

import static dev.halfdusk.app.db.Tables.INSTALLATION;

import dev.halfdusk.app.web.Installation;
import org.jooq.DSLContext;
import org.springframework.stereotype.Repository;
import org.springframework.transaction.annotation.Transactional;

/** By the number that its database drew when it was made. */
@Repository
class StoredInstallation implements Installation {

    private final DSLContext db;

    StoredInstallation(DSLContext db) {
        this.db = db;
    }

    @Override
    @Transactional(readOnly = true)
    public String uid(String local) {
        return local + "@" + db.selectFrom(INSTALLATION).fetchSingle(INSTALLATION.ID) + ".half-dusk";
    }
}
